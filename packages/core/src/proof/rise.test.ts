import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { simulateRise } from '../../test/simulated-rise';
import { judgeRise, type RiseMeta, type RisePhase } from './rise';

interface Trace {
  readonly name: string;
  readonly meta: RiseMeta;
  readonly truth: {
    readonly leaking: boolean;
    readonly leakWhere: 'system' | 'rig' | null;
    readonly leakMicronPerMin: number;
    readonly kind: string;
  };
  readonly phases: readonly RisePhase[];
}
const folder = path.join(__dirname, '../../checks/proof-traces');
const traces = readdirSync(folder)
  .filter((name) => name.startsWith('rise'))
  .sort()
  .map((name) => JSON.parse(readFileSync(path.join(folder, name), 'utf8')) as Trace);
const ABOVE = 2;

describe('labelled traces', () => {
  test('the leak lies in its interval in at least 13 of 15', () => {
    const inside = traces.filter(({ meta, phases, truth }) => {
      const [low, high] = judgeRise(meta, phases, ABOVE).leak.interval90;
      return truth.leakMicronPerMin >= low && truth.leakMicronPerMin <= high;
    });
    expect(traces).toHaveLength(15);
    expect(inside.length).toBeGreaterThanOrEqual(13);
  });

  test('no leak is called none, nothing that releases gas is called a leak', () => {
    for (const { name, meta, phases, truth } of traces) {
      const { verdict } = judgeRise(meta, phases, ABOVE);
      if (verdict === 'leak') expect([name, truth.leaking]).toEqual([name, true]);
      if (verdict === 'no-leak') expect([name, truth.leakMicronPerMin <= ABOVE]).toEqual([name, true]);
    }
  });

  test('where the rig was isolated by itself the place of a leak is named', () => {
    const leaking = traces.filter(({ truth, phases }) => truth.leaking && phases.some(({ isolated }) => isolated === 'rig'));
    expect(leaking.length).toBeGreaterThan(3);
    for (const { name, meta, phases, truth } of leaking)
      expect([name, judgeRise(meta, phases, ABOVE).place]).toEqual([name, truth.leakWhere]);
  });

  test('ten minutes or less with gas released cannot be told yet', () => {
    const short = traces.filter(({ truth, phases }) => phases[0]!.timeS.at(-1)! <= 600 && /moisture|oil/.test(truth.kind));
    expect(short.length).toBeGreaterThan(0);
    for (const { meta, phases } of short) expect(judgeRise(meta, phases, ABOVE).verdict).toBe('cannot-tell');
  });
});

// Water against its own pressure, walls by the inverse of time, oil by the square root: other laws than the estimator's.
describe('fresh rises', () => {
  const COUNT = 25;
  const verdicts = (wanted: Parameters<typeof simulateRise>[1], seed: number) =>
    Array.from({ length: COUNT }, (_, k) => {
      const { meta, phases } = simulateRise(seed + k, wanted);
      return judgeRise(meta, phases, ABOVE);
    });

  test('what only releases gas is not called a leak, a leak is not called none', () => {
    const still = (['none', 'water', 'adsorbed', 'oil'] as const).flatMap((gas) =>
      verdicts({ leak: 'none', gas, minutes: 20, rigPhase: true }, 100),
    );
    // water that evaporates slowly rises as a leak does: at most two of a hundred
    expect(still.filter(({ verdict }) => verdict === 'leak').length).toBeLessThanOrEqual(2);
    const leaking = [5, 10, 40].flatMap((rate) =>
      verdicts({ leak: 'system', rate, gas: 'adsorbed', minutes: 20, rigPhase: true }, 900 + rate),
    );
    expect(leaking.filter(({ verdict }) => verdict === 'no-leak')).toHaveLength(0);
  });

  test('a dry system is found to have none, a leak of 40 micron a minute is found, one of the rig is put there', () => {
    const dry = verdicts({ leak: 'none', gas: 'none', minutes: 15, rigPhase: true }, 300);
    expect(dry.filter(({ verdict }) => verdict === 'no-leak').length).toBeGreaterThan(0.9 * COUNT);
    const large = verdicts({ leak: 'system', rate: 40, gas: 'none', minutes: 30, rigPhase: true }, 500);
    expect(large.filter(({ verdict, place }) => verdict === 'leak' && place === 'system').length).toBeGreaterThan(0.8 * COUNT);
    const results = verdicts({ leak: 'rig', rate: 10, gas: 'none', minutes: 20, rigPhase: true }, 700);
    expect(results.filter(({ place }) => place === 'rig').length).toBeGreaterThan(0.9 * COUNT);
  });

  test('release of gas is said where there is some', () => {
    const oil = verdicts({ leak: 'none', gas: 'oil', minutes: 20, rigPhase: false }, 42);
    expect(oil.filter(({ release }) => release.probability > 0.5).length).toBeGreaterThan(0.7 * COUNT);
  });
});

test('a rise beyond the range of the gauge shows nothing there, and too few readings say nothing', () => {
  const meta: RiseMeta = {
    volumeLiter: 10,
    rigVolumeLiter: 0.4,
    gaugeResolutionMicron: 1,
    gaugeAccuracyShare: 0.1,
    coldestWallC: 20,
    compressorWithOil: false,
  };
  const off: RisePhase = { isolated: 'pump', timeS: [0, 10, 20, 30, 40], micron: [25_000, 25_000, 25_000, 25_000, 25_000] };
  expect(judgeRise(meta, [off], ABOVE)).toMatchObject({ verdict: 'cannot-tell', place: null });
  expect(judgeRise(meta, [{ isolated: 'rig', timeS: [0, 60], micron: [300, 310] }], ABOVE).verdict).toBe('cannot-tell');
});
