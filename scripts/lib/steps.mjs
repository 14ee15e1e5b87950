// @ts-check
import { readFileSync, rmSync } from 'node:fs';
import { at } from './paths.mjs';
import { run } from './run.mjs';
import { say } from './say.mjs';

/** What a step of the tests came to. @typedef {{ name: string, passed: number, failed: number, output: string }} Outcome */

/** A command that either passes or does not. @param {string} name @param {string} command @param {string[]} args @returns {Promise<Outcome>} */
export async function check(name, command, args) {
  const { code, output } = await run(command, args);
  return told({ name, passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1, output });
}

/** A Jest run, counted by its own report. @param {string} name @param {string[]} args @returns {Promise<Outcome>} */
export async function jest(name, args) {
  const report = at('dist', `${name}.report.json`);
  rmSync(report, { force: true });
  const { code, output } = await run('npx', ['jest', ...args, '--json', `--outputFile=${report}`]);
  const counted = readReport(report);
  if (counted === undefined) return told({ name, passed: 0, failed: 1, output });
  const { numPassedTests: passed, numFailedTests, numFailedTestSuites } = counted;
  const failed = numFailedTests === 0 && (code !== 0 || numFailedTestSuites > 0) ? 1 : numFailedTests;
  return told({ name, passed, failed, output });
}

/** A Playwright run, counted by its own report. @param {string} name @param {string[]} args @returns {Promise<Outcome>} */
export async function playwright(name, args) {
  const report = at('dist', `${name}.report.json`);
  rmSync(report, { force: true });
  const { code, output } = await run('npx', ['playwright', 'test', ...args], {
    env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_FILE: report },
  });
  const stats = readReport(report)?.stats;
  if (stats === undefined) return told({ name, passed: 0, failed: 1, output });
  return told({ name, passed: stats.expected, failed: stats.unexpected === 0 && code !== 0 ? 1 : stats.unexpected, output });
}

/** @param {string} file */
function readReport(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return undefined; // the runner died before it reported
  }
}

/** @param {Outcome} outcome */
function told(outcome) {
  say(`${outcome.failed === 0 ? 'passed' : 'FAILED'}  ${outcome.name}: ${outcome.passed} passed, ${outcome.failed} failed`);
  if (outcome.failed > 0) process.stdout.write(`${outcome.output}\n`);
  return outcome;
}

/** Node's own test runner, for the scripts that run before anything is installed. @param {string} name @param {string[]} args @returns {Promise<Outcome>} */
export async function nodeTests(name, args) {
  const { code, output } = await run('node', ['--test', '--test-reporter=tap', ...args]);
  const counted = (/** @type {string} */ what) => Number(new RegExp(`^# ${what} (\\d+)$`, 'm').exec(output)?.[1] ?? 0);
  const [passed, failed] = [counted('pass'), counted('fail')];
  return told({ name, passed, failed: failed === 0 && (code !== 0 || passed === 0) ? 1 : failed, output });
}
