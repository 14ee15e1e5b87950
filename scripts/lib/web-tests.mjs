// @ts-check
import { rmSync } from 'node:fs';
import path from 'node:path';
import { MOST_IN_A_GROUP, writeGroups } from './grouped-tests.mjs';
import { at } from './paths.mjs';
import { check, jest } from './steps.mjs';

const COMPILED = at('dist/web-tests');
const WEB = path.join(COMPILED, 'apps/web');

/** What a file of tests leaves in the browser. */
const CLEARED = 'localStorage.clear();\nsessionStorage.clear();\ndocument.body.replaceChildren();\njest.restoreAllMocks();';

/**
 * Compiles the web application with its tests, all types and templates checked, and runs the tests on what came out.
 * @returns {Promise<import('./steps.mjs').Outcome[]>}
 */
export async function webTests() {
  rmSync(COMPILED, { recursive: true, force: true });
  const to = ['--noEmit', 'false', '--outDir', COMPILED, '--rootDir', at('.')];
  const compiled = await check('types and templates of the web application', 'npx', ['ngc', '-p', 'apps/web/tsconfig.json', ...to]);
  if (compiled.failed > 0) return [compiled];
  writeGroups(path.join(WEB, 'src'), path.join(WEB, 'groups'), { ending: '.test.js', most: MOST_IN_A_GROUP, cleared: CLEARED });
  return [compiled, await jest('web-tests', ['--config', 'apps/web/jest.compiled.config.mjs', '--maxWorkers=1'])];
}
