// @ts-check
import { buildSync } from 'esbuild';
import { pathToFileURL } from 'node:url';
import { at } from '../lib/paths.mjs';

/** Fresh cases of each kind: a thousand holds and more in all. */
const [HOLDS, RISES] = [200, 100];

/** Rates of the proof on fresh simulated cases, and the speed of the twin. */
export async function benchCapabilities() {
  const bundle = at('dist/bench/capabilities.mjs');
  buildSync({
    entryPoints: [at('packages/core/bench/capabilities.ts')],
    outfile: bundle,
    bundle: true,
    platform: 'node',
    format: 'esm',
    logLevel: 'error',
  });
  /**
   * @type {{
   *   holdRates: (count: number) => { what: string, of: number, said: Record<string, number>, covered: number, ms: number }[],
   *   riseRates: (count: number) => { what: string, of: number, said: Record<string, number>, covered: number, ms: number }[],
   *   twinSpeeds: () => { what: string, ms: number, timesReal: number }[],
   * }}
   */
  const { holdRates, riseRates, twinSpeeds } = await import(pathToFileURL(bundle).href);
  process.stdout.write('\nProof: what is said of fresh cases of known truth, how often the 90 % interval covers it, ms each.\n\n');
  for (const { what, of, said, covered, ms } of [...holdRates(HOLDS), ...riseRates(RISES)])
    process.stdout.write(
      `${what.padEnd(48)}${Object.entries(said)
        .map(([verdict, count]) => `${verdict} ${((100 * count) / of).toFixed(1)} %`)
        .join(', ')
        .padEnd(52)}${(100 * covered).toFixed(1).padStart(6)} %${ms.toFixed(1).padStart(7)}\n`,
    );
  process.stdout.write('\nTwin: times faster than the transfer.\n\n');
  for (const { what, ms, timesReal } of twinSpeeds())
    process.stdout.write(`${what.padEnd(48)}${timesReal.toFixed(0).padStart(8)} ×${ms.toFixed(1).padStart(9)} ms\n`);
}
