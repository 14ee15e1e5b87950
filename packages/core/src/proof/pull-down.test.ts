import { conductance, speedAtSystem, type Rig } from './conductance';
import { betterRigs, dryPullDown, judgePullDown, type PullDownMeta } from './pull-down';
import { PASCAL_PER_MICRON, waterVapourPressure } from './water';

// Wagner and Pruss 2002, and ice by Wagner et al. 2011: micron at these temperatures (from memory).
test.each([
  [20, 17_545],
  [0.01, 4588],
  [-20, 774],
  [-30, 285],
])('water at %d °C stands at %d micron', (t, micron) => {
  expect(waterVapourPressure(t + 273.15) / PASCAL_PER_MICRON / micron).toBeCloseTo(1, 2);
});

const rig = (hose: Rig['hose'], core: Rig['core']): PullDownMeta => ({
  hose,
  core,
  lengthM: 1.5,
  volumeLiter: 10,
  ambientC: 20,
  targetMicron: 500,
});

// Knudsen's formula with a pump of 2.4 L/s: speed at the system at 500 micron, L/s, and minutes to 500 micron, worked by prototypes.
test.each([
  ['1/4', 'in', 0.018, 11],
  ['1/4', 'out', 0.022, 9],
  ['3/8', 'in', 0.064, 3.6],
  ['3/8', 'out', 0.156, 1.5],
  ['1/2', 'in', 0.083, 3],
  ['1/2', 'out', 0.344, 0.9],
] as const)('through a %s in hose with the core %s', (hose, core, litres, minutes) => {
  expect(speedAtSystem(rig(hose, core), 500 * PASCAL_PER_MICRON, 293) * 1000).toBeCloseTo(litres, 1);
  expect(Math.abs(dryPullDown(rig(hose, core), 500)! / 60 / minutes - 1)).toBeLessThan(0.2);
});

test('in the molecular limit a pipe conducts by its bore cubed, in the viscous one by the fourth power and the pressure', () => {
  const [small, large] = [0.005, 0.01].map((d) => conductance(d, 1, 1e-4, 293));
  expect(large! / small!).toBeCloseTo(8, 1);
  const [thin, thick] = [0.005, 0.01].map((d) => conductance(d, 1, 1e5, 293));
  expect(thick! / thin!).toBeCloseTo(16, 0);
  expect(conductance(0.005, 1, 2e5, 293) / thin!).toBeCloseTo(2, 1);
});

/** A pull-down by the balance of gas, with what comes in besides. */
function pullDown(
  meta: PullDownMeta,
  minutes: number,
  { share = 1, gas = () => 0 }: { share?: number; gas?: (t: number, p: number) => number } = {},
) {
  const T = meta.ambientC + 273.15;
  const [timeS, micron]: [number[], number[]] = [[], []];
  let p = 60_000;
  for (let t = 0; t <= minutes * 60; t++) {
    if (t % 10 === 0) {
      timeS.push(t);
      micron.push(Math.round(p / PASCAL_PER_MICRON));
    }
    p += (-share * speedAtSystem(meta, p, T) * p + gas(t, p)) / (meta.volumeLiter * 1e-3);
    p = Math.max(0.5, p);
  }
  return { timeS, micron };
}

const usual = rig('3/8', 'in');
const water = waterVapourPressure(293.15);
test.each([
  ['dry and tight', pullDown(usual, 6), 'as-expected'],
  ['a core that was left in, or a valve half shut', pullDown({ ...usual, core: 'in' }, 12, { share: 0.3 }), 'restricted'],
  ['liquid water', pullDown(usual, 20, { gas: (_, p) => Math.max(0, 0.6 * water - p) * 1e-2 }), 'liquid-water'],
  ['gas out of oil', pullDown(usual, 25, { gas: (t) => 0.06 / Math.sqrt(1 + t / 30) }), 'outgassing'],
  ['a leak', pullDown(usual, 25, { gas: () => 0.02 }), 'leak'],
] as const)('%s', (_, readings, verdict) => {
  expect(judgePullDown(usual, readings).verdict).toBe(verdict);
});

test('the time to the target is told while it runs, within half of it', () => {
  const whole = pullDown(usual, 8);
  const atS = whole.timeS[whole.micron.findIndex((micron) => micron <= 500)]!;
  const until = whole.timeS.findIndex((t) => t > 0.6 * atS);
  const { targetS } = judgePullDown(usual, { timeS: whole.timeS.slice(0, until), micron: whole.micron.slice(0, until) });
  expect(Math.abs(targetS! / atS - 1)).toBeLessThan(0.5);
});

describe('what better hoses would change', () => {
  const rig = { volumeLiter: 12, hose: '1/4', lengthM: 1.5, core: 'in', ambientC: 22, targetMicron: 500 } as const;

  // Common practice: cores out and a 3/8 in hose cut the time to a vacuum by several times.
  test('cores out and wider hoses save most of the time, and no change ever costs any', () => {
    const now = dryPullDown(rig, 500)!;
    const better = betterRigs(rig);
    expect(better.map(({ change }) => change).sort()).toEqual(['core-out', 'half-the-length', 'wider-hose']);
    for (const { change, targetS } of better) expect([change, targetS! <= now]).toEqual([change, true]);
    expect(now / better[0]!.targetS!).toBeGreaterThan(1.3);
  });

  test('the widest hose has no wider one, and a core that is out none to take out', () => {
    expect(betterRigs({ ...rig, hose: '1/2', core: 'out' }).map(({ change }) => change)).toEqual(['half-the-length']);
  });

  test('lower takes longer', () => {
    const [thousand, fiveHundred, quarter] = [1000, 500, 250].map((micron) => dryPullDown(rig, micron)!);
    expect(thousand! < fiveHundred! && fiveHundred! < quarter!).toBe(true);
  });
});
