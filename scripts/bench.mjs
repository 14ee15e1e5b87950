// @ts-check
import { buildSync } from 'esbuild';
import { pathToFileURL } from 'node:url';
import { at } from './lib/paths.mjs';

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

const bundle = at('dist/bench/properties.mjs');
buildSync({
  entryPoints: [at('packages/core/bench/properties.ts')],
  outfile: bundle,
  bundle: true,
  platform: 'node',
  format: 'esm',
  logLevel: 'error',
});
/** @type {{ tasks: Record<string, (k: number) => unknown> }} */
const { tasks } = await import(pathToFileURL(bundle).href);

const [unit = 0, ...rest] = Object.values(tasks).map(meanMicroseconds);
process.stdout.write('Times are of this machine now; the ratios to the first row are what can be compared.\n\n');
for (const [k, name] of Object.keys(tasks).entries()) {
  const time = k === 0 ? unit : (rest[k - 1] ?? 0);
  process.stdout.write(`${name.padEnd(44)}${time.toFixed(1).padStart(9)} µs${(time / unit).toFixed(1).padStart(8)} ×\n`);
}
