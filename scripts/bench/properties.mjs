// @ts-check
import { buildSync } from 'esbuild';
import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { at } from '../lib/paths.mjs';

const WARM_UP_MS = 400;
const MEASURED_MS = 800;

/** Mean time of a call, µs, once the engine is warm. @param {(k: number) => unknown} task */
function meanMicroseconds(task) {
  let k = 0;
  for (const end = performance.now() + WARM_UP_MS; performance.now() < end;) task(k++);
  const first = k;
  const started = performance.now();
  for (const end = started + MEASURED_MS; performance.now() < end;) task(k++);
  return ((performance.now() - started) * 1000) / (k - first);
}

/** A machine that does other work beside is at times twice as slow: both are timed in turns, and the best of each counts. */
const ROUNDS = 4;

/**
 * The same states by CoolProp, where Python has it.
 * @param {Record<string, { refrigerant: string, vapourShare: number }>} compared @param {(id: string) => Record<string, number>} compositionFor
 * @returns {Record<string, number | null> | undefined}
 */
function byCoolProp(compared, compositionFor) {
  const asked = Object.entries(compared).map(([name, { refrigerant, vapourShare }]) => [
    name,
    { composition: compositionFor(refrigerant), vapourShare },
  ]);
  const input = JSON.stringify(Object.fromEntries(asked));
  const { status, stdout } = spawnSync('python3', [at('packages/core/bench/coolprop.py')], { input, encoding: 'utf8' });
  return status === 0 ? JSON.parse(stdout) : undefined;
}

/** @param {number | null | undefined} one @param {number | null | undefined} other @returns {number | undefined} */
function best(one, other) {
  const told = [one, other].filter((time) => typeof time === 'number');
  return told.length === 0 ? undefined : Math.min(...told);
}

/** Questions to the property core, and the same to CoolProp. */
export async function benchProperties() {
  const bundle = at('dist/bench/properties.mjs');
  buildSync({
    entryPoints: [at('packages/core/bench/properties.ts')],
    outfile: bundle,
    bundle: true,
    platform: 'node',
    format: 'esm',
    logLevel: 'error',
  });
  /**
   * @type {{
   *   tasks: Record<string, (k: number) => unknown>,
   *   compared: Record<string, { refrigerant: string, vapourShare: number }>,
   *   compositionFor: (id: string) => Record<string, number>,
   * }}
   */
  const { tasks, compared, compositionFor } = await import(pathToFileURL(bundle).href);

  const times = Object.fromEntries(Object.entries(tasks).map(([name, task]) => [name, meanMicroseconds(task)]));
  const [unit = 0] = Object.values(times);
  process.stdout.write('Times are of this machine now; the ratios to the first row are what can be compared.\n\n');
  for (const [name, time] of Object.entries(times))
    process.stdout.write(`${name.padEnd(44)}${time.toFixed(1).padStart(9)} µs${(time / unit).toFixed(1).padStart(8)} ×\n`);

  if (byCoolProp(compared, compositionFor) === undefined) againstStored(times, unit);
  else inTurns(tasks, compared, compositionFor);
}

/** @param {Record<string, number>} times @param {number} unit the first row, µs */
function againstStored(times, unit) {
  const baseline = JSON.parse(readFileSync(at('packages/core/bench/baseline.json'), 'utf8'));
  process.stdout.write('\nAgainst the stored times of CoolProp, scaled by the first row (for its own: pip install CoolProp):\n');
  for (const [name, other] of Object.entries(baseline.theirs)) {
    const ratio = ((other / baseline.firstRow) * unit) / (times[name] ?? Number.NaN);
    process.stdout.write(`${name.padEnd(44)}${ratio.toFixed(1).padStart(9)} × ours\n`);
  }
}

/**
 * @param {Record<string, (k: number) => unknown>} tasks @param {Record<string, { refrigerant: string, vapourShare: number }>} compared
 * @param {(id: string) => Record<string, number>} compositionFor
 */
function inTurns(tasks, compared, compositionFor) {
  /** @type {Record<string, number | undefined>} */
  const ours = {};
  /** @type {Record<string, number | undefined>} */
  const theirs = {};
  for (let round = 0; round < ROUNDS; round++) {
    const told = byCoolProp(compared, compositionFor) ?? {};
    for (const [name, task] of Object.entries(tasks)) {
      if (compared[name] === undefined) continue;
      ours[name] = best(ours[name], meanMicroseconds(task));
      theirs[name] = best(theirs[name], told[name]);
    }
  }
  process.stdout.write('\nThe same states by CoolProp, in turns with ours; the best of each:\n');
  for (const name of Object.keys(compared)) {
    const [own = Number.NaN, other] = [ours[name], theirs[name]];
    const ratio = other === undefined ? 'no answer' : `${other.toFixed(1).padStart(9)} µs${(other / own).toFixed(1).padStart(8)} × ours`;
    process.stdout.write(`${name.padEnd(44)}${own.toFixed(1).padStart(9)} µs, theirs${ratio}\n`);
  }
}
