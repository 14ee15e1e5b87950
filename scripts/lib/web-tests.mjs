// @ts-check
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { groupedTests, groupSource } from './grouped-tests.mjs';
import { at } from './paths.mjs';
import { check, jest } from './steps.mjs';

const COMPILED = at('dist/web-tests');
const SOURCES = path.join(COMPILED, 'apps/web/src');
const GROUPS = path.join(COMPILED, 'apps/web/groups');

/** Every library is read once for so many files of tests; more in one world would hold more memory than it saves time. */
const MOST_IN_A_GROUP = 12;

/**
 * Compiles the web application with its tests, all types and templates checked, and runs the tests on what came out.
 * @returns {Promise<import('./steps.mjs').Outcome[]>}
 */
export async function webTests() {
  rmSync(COMPILED, { recursive: true, force: true });
  const to = ['--noEmit', 'false', '--outDir', COMPILED, '--rootDir', at('.')];
  const compiled = await check('types and templates of the web application', 'npx', ['ngc', '-p', 'apps/web/tsconfig.spec.json', ...to]);
  if (compiled.failed > 0) return [compiled];
  writeGroups();
  return [compiled, await jest('web-tests', ['--config', 'apps/web/jest.compiled.config.mjs', '--maxWorkers=1'])];
}

function writeGroups() {
  mkdirSync(GROUPS);
  const files = readdirSync(SOURCES, { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('.test.js'));
  const tests = files.sort().map((file) => ({ file: `../src/${file}`, source: readFileSync(path.join(SOURCES, file), 'utf8') }));
  groupedTests(tests, MOST_IN_A_GROUP).forEach((group, k) => writeFileSync(path.join(GROUPS, `group-${k + 1}.test.js`), groupSource(group)));
}
