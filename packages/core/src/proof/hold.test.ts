import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { simulateHold } from '../../test/simulated-hold';
import { judgeHold } from './hold';
import { holdLimits, nitrogenPerYear } from './hold-limit';
import type { HoldMeta, HoldReadings } from './trace';

interface Trace {
  readonly name: string;
  readonly meta: HoldMeta;
  readonly truth: { readonly leaking: boolean; readonly leakSharePerHour: number };
  readonly readings: HoldReadings;
}

/** Labelled synthetic traces, kept with their own description. */
const folder = path.join(__dirname, '../../checks/proof-traces');
const traces = readdirSync(folder)
  .filter((name) => name.startsWith('pressure'))
  .sort()
  .map((name) => JSON.parse(readFileSync(path.join(folder, name), 'utf8')) as Trace);

const asked = ({ timeS }: HoldReadings) => (timeS.at(-1)! > 7200 ? 0.002 : 0.03);

describe('labelled traces', () => {
  test.each(traces.map((trace) => [trace.name, trace] as const))(
    '%s: no wrong verdict, whatever is asked',
    (_, { meta, readings, truth }) => {
      for (const tightTo of [0.0005, 0.002, 0.01, 0.03, 0.1]) {
        const { verdict } = judgeHold(meta, readings, tightTo);
        if (verdict === 'leaking') expect(truth.leaking).toBe(true);
        if (verdict === 'tight') expect(truth.leakSharePerHour).toBeLessThanOrEqual(tightTo);
      }
    },
  );

  test('the loss lies within 2.6 of its stated deviations in at least 14 of 15', () => {
    const within = traces.filter(({ meta, readings, truth }) => {
      const { lossPerHour, sigma } = judgeHold(meta, readings, asked(readings));
      return Math.abs(lossPerHour - truth.leakSharePerHour) <= 2.6 * sigma;
    });
    expect(traces).toHaveLength(15);
    expect(within.length).toBeGreaterThanOrEqual(14);
  });

  test('five minutes do not make it tight to 1 % an hour', () => {
    const { meta, readings } = traces.find(({ name }) => name === 'pressure-15')!;
    expect(judgeHold(meta, readings, 0.01).verdict).toBe('cannot-tell');
  });
});

// By a heat balance of another structure than the estimator's own columns; the rates over thousands of them are in docs/proof.md.
describe('fresh holds', () => {
  const run = (count: number, seed: number, wanted: Parameters<typeof simulateHold>[1], tightTo: number) =>
    Array.from({ length: count }, (_, k) => {
      const { meta, readings, lossPerHour } = simulateHold(seed + k, wanted);
      return { ...judgeHold(meta, readings, tightTo), truth: lossPerHour };
    });
  const share = (results: readonly { verdict: string }[], verdict: string) =>
    results.filter((result) => result.verdict === verdict).length / results.length;

  test.each([
    ['short', false, 0.03, 70, 10],
    ['long', true, 0.002, 25, 20],
  ] as const)(
    '%s: tight is not called leaking, a leak of what is asked is not called tight, and the interval covers',
    (_, long, tightTo, count, seed) => {
      const tight = run(count, seed, { long }, tightTo);
      const leaking = run(count, seed + 5000, { long, lossPerHour: tightTo }, tightTo);
      expect(share(tight, 'leaking')).toBeLessThanOrEqual(0.01);
      expect(share(leaking, 'tight')).toBeLessThanOrEqual(0.01);
      expect(share(tight, 'tight')).toBeGreaterThan(0.6);
      expect(share(leaking, 'leaking')).toBeGreaterThan(0.5);
      const all = [...tight, ...leaking];
      const covered = all.filter(({ truth, interval90: [low, high] }) => truth >= low && truth <= high).length;
      expect(covered / all.length).toBeGreaterThan(0.85);
    },
  );
});

const meta: HoldMeta = {
  volumeLiter: 10,
  volumeKnownTo: 0.12,
  setPressurePsig: 300,
  barometerPa: 101_325,
  gaugeResolutionPsi: 0.1,
  gaugeSpanPsi: 800,
  gaugeAccuracyShare: 0.005,
  secondsSinceFilling: 600,
  thermometers: ['air', 'pipe'],
  startHour: 10,
  oilLiter: 0,
  refrigerantMayRemain: false,
};
const minutes = (count: number, psig: (k: number) => number, air = (k: number) => 22 - k / count) => ({
  timeS: Array.from({ length: count + 1 }, (_, k) => 60 * k),
  pressurePsig: Array.from({ length: count + 1 }, (_, k) => Math.round(psig(k) * 10) / 10),
  airC: Array.from({ length: count + 1 }, (_, k) => air(k)),
  pipeC: Array.from({ length: count + 1 }, (_, k) => air(k) + 0.2),
});

// Common practice: 299.3 to 298.2 psig in 10 min while it gets 1 K colder proves neither.
test('a fall that the cold explains cannot be told yet, and says when to look again', () => {
  const { verdict, lossPerHour, sigma, lookAgainS } = judgeHold(
    meta,
    minutes(10, (k) => 299.3 - 0.11 * k),
    0.01,
  );
  expect(verdict).toBe('cannot-tell');
  expect(Math.abs(lossPerHour)).toBeLessThan(2.6 * sigma);
  expect(lookAgainS).toBeGreaterThan(600);
});

test('before the fifth minute there is no verdict, and never "tight" alone: it is tight to a limit', () => {
  expect(
    judgeHold(
      meta,
      minutes(
        4,
        () => 300,
        () => 20,
      ),
      0.5,
    ).verdict,
  ).toBe('cannot-tell');
  const { verdict, tightTo, excludesAbove } = judgeHold(
    meta,
    minutes(
      60,
      () => 300,
      () => 20,
    ),
    0.03,
  );
  expect([verdict, tightTo]).toEqual(['tight', 0.03]);
  expect(excludesAbove).toBeGreaterThan(0.001);
  expect(excludesAbove).toBeLessThan(0.03);
});

test.each([
  [
    'a reading that jumps',
    minutes(
      30,
      (k) => (k < 15 ? 300 : 290),
      () => 20,
    ),
    'jump',
  ],
  [
    'a trace that stops for an hour',
    {
      ...minutes(
        30,
        () => 300,
        () => 20,
      ),
      timeS: Array.from({ length: 31 }, (_, k) => 60 * k + (k > 20 ? 7200 : 0)),
    },
    'gap',
  ],
  [
    'readings out of order',
    {
      ...minutes(
        30,
        () => 300,
        () => 20,
      ),
      timeS: Array.from({ length: 31 }, (_, k) => (k === 9 ? 100 : 60 * k)),
    },
    'not-in-order',
  ],
  [
    'three readings',
    minutes(
      2,
      () => 300,
      () => 20,
    ),
    'too-few',
  ],
] as const)('%s is named and makes the verdict wait', (_, readings, code) => {
  const { verdict, problems } = judgeHold(meta, readings, 0.03);
  expect(verdict).toBe('cannot-tell');
  expect(problems.map((problem) => problem.code)).toContain(code);
});

test('a gauge of one psi and a thermometer in the air alone see less', () => {
  const limit = (more: Partial<HoldMeta>) => holdLimits({ ...meta, setPressurePsig: 400, ...more }, [900])[0]!.lossPerHour;
  expect(limit({ thermometers: ['air'] })).toBeGreaterThan(1.5 * limit({}));
  expect(limit({ gaugeResolutionPsi: 5, thermometers: ['air'] })).toBeGreaterThan(1.1 * limit({ thermometers: ['air'] }));
  expect(limit({ secondsSinceFilling: 1800 })).toBeLessThan(limit({}));
});

// What such a hold finds, by prototypes on sample readings: within a third of it.
test.each([
  [900, 1.65],
  [3600, 0.58],
  [57_600, 0.03],
  [216_000, 0.0072],
])('a hold of %d s at 400 psig finds about %d %% an hour, known beforehand', (durationS, percent) => {
  const [limit] = holdLimits({ ...meta, setPressurePsig: 400 }, [durationS]);
  expect(Math.abs(Math.log((100 * limit!.lossPerHour) / percent))).toBeLessThan(0.55);
  expect(limit!.nitrogenKgPerYear).toBeCloseTo(nitrogenPerYear(limit!.lossPerHour, { ...meta, setPressurePsig: 400 }), 9);
});

test('the doubt is told by what makes it', () => {
  const { budget } = judgeHold(
    { ...meta, secondsSinceFilling: 20 },
    minutes(
      10,
      () => 300,
      () => 20,
    ),
    0.001,
  );
  expect(budget[0]?.term).toBe('settling');
});
