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

/**
 * The same bubble points by CoolProp, where Python has it.
 * @param {Record<string, { refrigerant: string }>} compared @param {(id: string) => Record<string, number>} compositionFor
 * @returns {Record<string, number | null> | undefined}
 */
function byCoolProp(compared, compositionFor) {
  const input = JSON.stringify(
    Object.fromEntries(Object.values(compared).map(({ refrigerant }) => [refrigerant, compositionFor(refrigerant)])),
  );
  const { status, stdout } = spawnSync('python3', [at('packages/core/bench/coolprop.py')], { input, encoding: 'utf8' });
  return status === 0 ? JSON.parse(stdout) : undefined;
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
   *   compared: Record<string, { refrigerant: string }>,
   *   compositionFor: (id: string) => Record<string, number>,
   * }}
   */
  const { tasks, compared, compositionFor } = await import(pathToFileURL(bundle).href);

  const times = Object.fromEntries(Object.entries(tasks).map(([name, task]) => [name, meanMicroseconds(task)]));
  const [unit = 0] = Object.values(times);
  process.stdout.write('Times are of this machine now; the ratios to the first row are what can be compared.\n\n');
  for (const [name, time] of Object.entries(times))
    process.stdout.write(`${name.padEnd(44)}${time.toFixed(1).padStart(9)} µs${(time / unit).toFixed(1).padStart(8)} ×\n`);

  const theirs = byCoolProp(compared, compositionFor);
  if (theirs === undefined) {
    const baseline = JSON.parse(readFileSync(at('packages/core/bench/baseline.json'), 'utf8'));
    process.stdout.write('\nAgainst the stored times of CoolProp, scaled by the first row (for its own: pip install CoolProp):\n');
    for (const [name, other] of Object.entries(baseline.theirs)) {
      const ratio = ((other / baseline.firstRow) * unit) / (times[name] ?? Number.NaN);
      process.stdout.write(`${name.padEnd(44)}${ratio.toFixed(1).padStart(9)} × ours\n`);
    }
  } else {
    process.stdout.write('\nThe same bubble points by CoolProp, in this run:\n');
    for (const [name, { refrigerant }] of Object.entries(compared)) {
      const [ours = 0, other] = [times[name], theirs[refrigerant]];
      const told =
        typeof other === 'number' ? `${other.toFixed(1).padStart(9)} µs${(other / ours).toFixed(1).padStart(8)} × ours` : '     no answer';
      process.stdout.write(`${name.padEnd(44)}${told}\n`);
    }
  }
}
