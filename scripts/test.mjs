// @ts-check
import { mkdirSync } from 'node:fs';
import { buildServer, buildWeb } from './lib/build.mjs';
import { coreAndServerTests } from './lib/core-and-server-tests.mjs';
import { ensureDependencies } from './lib/dependencies.mjs';
import { at } from './lib/paths.mjs';
import { fail } from './lib/say.mjs';
import { check, nodeTests, playwright } from './lib/steps.mjs';
import { ensureTestPackages } from './lib/system-packages.mjs';
import { webTests } from './lib/web-tests.mjs';

/** Everything: types, lint, Jest for every part, and the whole application in a browser. Two things at a time, for two cores. */
async function main() {
  // one writes what the other does not read; if one fails, the other is not left running
  for (const installed of await Promise.allSettled([ensureTestPackages(), ensureDependencies()]))
    if (installed.status === 'rejected') throw installed.reason;
  mkdirSync(at('dist'), { recursive: true });

  const outcomes = await twoAtATime([
    coreAndServerTests,
    async () => {
      await buildServer();
      await buildWeb();
      return check('messages', 'node', ['scripts/messages.mjs', '--check']);
    },
    webTests,
    // the longest of the rest first: nothing then waits for it alone
    ...['code', 'house', 'format'].map((part) => () => check(`lint: ${part}`, 'node', ['scripts/lint.mjs', part])),
    // those of the web application were checked where its tests were compiled
    () => check('types', 'node', ['scripts/types.mjs', '--without-web']),
    () => nodeTests('script-tests', ['scripts/lib/', 'scripts/lint/']),
  ]);
  const checks = [...outcomes, await playwright('browser-tests', ['--config', 'e2e/playwright.config.ts'])];
  const passed = checks.reduce((sum, outcome) => sum + outcome.passed, 0);
  const failed = checks.reduce((sum, outcome) => sum + outcome.failed, 0);
  process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
  process.exit(failed === 0 ? 0 : 1);
}

/**
 * Whoever is done takes the next step.
 * @param {(() => Promise<import('./lib/steps.mjs').Outcome | import('./lib/steps.mjs').Outcome[]>)[]} steps
 */
async function twoAtATime(steps) {
  const waiting = [...steps];
  /** @type {import('./lib/steps.mjs').Outcome[]} */
  const outcomes = [];
  const lane = async () => {
    for (let step = waiting.shift(); step !== undefined; step = waiting.shift()) {
      outcomes.push(...[await step()].flat());
    }
  };
  await Promise.all([lane(), lane()]);
  return outcomes;
}

main().catch(fail);
