// @ts-check
import { mkdirSync } from 'node:fs';
import { buildServer, buildWeb } from './lib/build.mjs';
import { ensureDependencies } from './lib/dependencies.mjs';
import { at } from './lib/paths.mjs';
import { fail } from './lib/say.mjs';
import { check, jest, playwright } from './lib/steps.mjs';
import { ensureChromium, ensurePostgres } from './lib/system-packages.mjs';

/** Everything: types, lint, Jest for every part, and the whole application in a browser. Two things at a time, for two cores. */
async function main() {
  await ensurePostgres();
  await ensureChromium();
  await ensureDependencies();
  mkdirSync(at('dist'), { recursive: true });

  const building = (async () => {
    await buildServer();
    await buildWeb();
  })();
  const checks = [
    await jest('node-tests', ['--config', 'jest.config.mjs', '--maxWorkers=1']),
    await building.then(() => jest('web-tests', ['--config', 'apps/web/jest.config.mjs', '--maxWorkers=2'])),
    ...(await Promise.all([check('types', 'node', ['scripts/types.mjs']), check('lint and format', 'node', ['scripts/lint.mjs'])])),
    await playwright('browser-tests', ['--config', 'e2e/playwright.config.ts']),
  ];
  const passed = checks.reduce((sum, outcome) => sum + outcome.passed, 0);
  const failed = checks.reduce((sum, outcome) => sum + outcome.failed, 0);
  process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
  process.exit(failed === 0 ? 0 : 1);
}

main().catch(fail);
