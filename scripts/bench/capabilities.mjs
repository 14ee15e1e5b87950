// @ts-check
import { buildSync } from 'esbuild';
import { pathToFileURL } from 'node:url';
import { at } from '../lib/paths.mjs';

/** Fresh cases of each kind: a thousand holds and more in all. */
const [HOLDS, RISES, TRUTHS, UNITS, TRANSFERS, NETWORKS] = [200, 100, 300, 10_000, 200, 10_000];

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
   *   runningCheckRates: (kind: string, count: number) => Record<'of' | 'first' | 'two' | 'sure' | 'wrong' | 'charge' | 'harm' | 'right' | 'ms', number>,
   *   cycleRobustness: (count: number) => { of: number, unsolved: number, beyond: number, p99: number },
   *   besideReadings: (count: number, share: number) => { of: number, share: number, gross: number, end: number, timeError: number, ms: number, trips: Record<'of' | 'foreseen' | 'within15' | 'falsely' | 'without', number> },
   *   randomNetworks: (count: number) => Record<'of' | 'failed' | 'mass' | 'energy' | 'timesReal', number>,
   *   twinSpeeds: () => { what: string, ms: number, timesReal: number }[],
   * }}
   */
  const { holdRates, riseRates, twinSpeeds, besideReadings, randomNetworks, runningCheckRates, cycleRobustness } = await import(
    pathToFileURL(bundle).href
  );
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
  const networks = randomNetworks(NETWORKS);
  process.stdout.write(
    `${`${networks.of} random transfers, ${networks.failed} failed`.padEnd(48)}${networks.timesReal.toFixed(0).padStart(8)} ×   mass within ${networks.mass.toExponential(0)}, energy ${networks.energy.toExponential(0)}\n`,
  );
  process.stdout.write('\nBeside the readings, hidden truths, half of another structure: how often nine-in-ten ranges hold, trips.\n\n');
  for (const share of [0.2, 0.5, 0.8]) {
    const { of, gross, end, timeError, ms, trips } = besideReadings(TRANSFERS, share);
    const percent = (/** @type {number} */ count, base = of) => `${((100 * count) / Math.max(1, base)).toFixed(0)} %`.padStart(6);
    process.stdout.write(
      `${`at ${share} of the time`.padEnd(20)}weight${percent(gross)}  time${percent(end)}  time off ${(100 * timeError).toFixed(0)} %  trips ${trips.foreseen} of ${trips.of} foreseen, ${trips.within15} within 15 %, ${trips.falsely} of ${trips.without} falsely  ${ms.toFixed(0)} ms\n`,
    );
  }
  process.stdout.write(
    '\nRunning check on hidden truths of another structure, in per cent: named first, among two, said with nine in ten, wrong of those.\n\n',
  );
  for (const kind of ['unknown', 'random', 'chosen', 'learned', 'learned-chosen']) {
    const { of, first, two, sure, wrong, charge, harm, right, ms } = runningCheckRates(kind, TRUTHS);
    const share = (/** @type {number} */ count, base = of) => `${((100 * count) / Math.max(1, base)).toFixed(0)}`.padStart(5);
    process.stdout.write(
      `${kind.padEnd(20)}${share(first)}${share(two)}${share(sure)}${share(wrong, sure)}   charge ±${(100 * charge).toFixed(1)} %   wrongly charged ${share(harm)}   right ${share(right)}   ${ms.toFixed(0)} ms\n`,
    );
  }
  const { of, unsolved, beyond, p99 } = cycleRobustness(UNITS);
  process.stdout.write(
    `\n${of} random units, days and faults: ${unsolved} unsolved, ${beyond} beyond the high pressure, p99 ${p99.toFixed(1)} ms\n`,
  );
}
