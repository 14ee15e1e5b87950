// @ts-check
import { rmSync } from 'node:fs';
import { at } from './paths.mjs';
import { check, jest } from './steps.mjs';

const COMPILED = at('dist/web-tests');

/**
 * Compiles the web application with its tests, all types and templates checked, and runs the tests on what came out.
 * @returns {Promise<import('./steps.mjs').Outcome[]>}
 */
export async function webTests() {
  rmSync(COMPILED, { recursive: true, force: true });
  const to = ['--noEmit', 'false', '--outDir', COMPILED, '--rootDir', at('.')];
  const compiled = await check('types and templates of the web application', 'npx', ['ngc', '-p', 'apps/web/tsconfig.spec.json', ...to]);
  if (compiled.failed > 0) return [compiled];
  return [compiled, await jest('web-tests', ['--config', 'apps/web/jest.compiled.config.mjs', '--maxWorkers=1'])];
}
