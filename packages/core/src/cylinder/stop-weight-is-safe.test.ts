import fc from 'fast-check';
import { NoFillLimit } from '../errors';
import { allRefrigerants, refrigerant } from '../fluids/refrigerant';
import { closedVolume } from '../thermo/closed-volume';
import { liquidFull } from '../thermo/liquid-full';
import { density, kilogram } from '../units/quantity';
import { celsius, fahrenheit } from '../units/temperature';
import { volumeFrom } from '../units/volume';
import type { CylinderRating } from './cylinder-rating';
import { fillLimits, type FillLimits } from './fill-limit';
import { defaultFillPolicy, fillRules } from './fill-rule';
import { isHighPressureGas } from './high-pressure-gas';
import { levelAt } from './level';
import { pressureRating } from './pressure-rating';

/** The usual sizes, lb of water (common practice). */
const SIZES = [26.2, 47.7, 123, 1000];

const limitsOf = (id: string, waterLb = 26.2, contentKg = 0): FillLimits | undefined => {
  try {
    return fillLimits({
      composition: refrigerant(id).composition,
      volume: volumeFrom(waterLb, 'lb-water'),
      tare: kilogram(8),
      content: kilogram(contentKg),
      hottest: fahrenheit(140),
      rating: { stamp: 'us', servicePressure: psi(400), testPressure: psi(800) },
    });
  } catch (error) {
    if (error instanceof NoFillLimit) return undefined;
    throw error;
  }
};
const psi = (value: number) => value * 6894.757;

// 49 CFR 173.304(b), from memory: the liquid must not fill the packaging at any temperature up to 131 °F; and at no place that was named.
test.each(allRefrigerants.map(({ id }) => id))('a cylinder of %s filled to its stop is not full of liquid at 131 and 140 °F', (id) => {
  const limits = limitsOf(id)!;
  for (const T of [fahrenheit(131), fahrenheit(140)]) {
    const hot = levelAt(refrigerant(id).composition, volumeFrom(26.2, 'lb-water'), kilogram(limits.ruling.net), T);
    if (isHighPressureGas(refrigerant(id).composition)) {
      expect(hot.state === 'empty' ? 0 : hot.p).toBeLessThanOrEqual(101_325 + 1.25 * psi(400) + 1);
      continue;
    }
    expect(['two-phase', 'vapour']).toContain(hot.state);
    expect(hot.liquidShare).toBeLessThanOrEqual(0.9501);
  }
});

const ratings: readonly CylinderRating[] = [
  { stamp: 'us', servicePressure: psi(400), testPressure: psi(800) },
  { stamp: 'us', servicePressure: psi(1800), testPressure: psi(3000) },
  { stamp: 'un', testPressure: 48e5 },
  { stamp: 'un', testPressure: 250e5 },
];

test.each(allRefrigerants.map(({ id }) => id))(
  'a hotter place never raises the stop of %s, through its critical temperature and beyond',
  (id) => {
    const { composition } = refrigerant(id);
    for (const rating of ratings) {
      let last = Number.POSITIVE_INFINITY;
      for (let C = 30; C <= 100; C += 5) {
        const filling = { composition, volume: volumeFrom(26.2, 'lb-water'), tare: kilogram(8), content: kilogram(0), rating };
        const { ruling } = fillLimits({ ...filling, hottest: celsius(C) }, { ...defaultFillPolicy, required: fillRules });
        expect(ruling.net).toBeLessThanOrEqual(last * (1 + 1e-9));
        last = ruling.net;
      }
    }
  },
);

test('the ruling limit is the smallest that is required, and no limit is negative', () => {
  for (const { id } of allRefrigerants)
    for (const waterLb of SIZES) {
      const limits = limitsOf(id, waterLb);
      if (limits === undefined) continue;
      const required = limits.limits.filter((limit) => limit.required);
      expect(limits.ruling.net).toBe(Math.min(...required.map(({ net }) => net)));
      for (const limit of limits.limits) {
        expect(limit.net).toBeGreaterThan(0);
        expect(limit.gross).toBeCloseTo(limit.net + 8, 9);
      }
    }
});

test('a limit grows with the cylinder, and in proportion', () => {
  for (const id of ['R-410A', 'R-134a', 'R-22', 'R-448A', 'R-290']) {
    const nets = SIZES.map((waterLb) => limitsOf(id, waterLb)!.ruling.net);
    for (const [k, net] of nets.entries()) expect(net / nets[0]!).toBeCloseTo(SIZES[k]! / SIZES[0]!, 9);
  }
});

test('what is in it already is taken off, to the gram, also when that leaves less than nothing', () => {
  fc.assert(
    fc.property(fc.constantFrom('R-410A', 'R-407C', 'R-134a', 'R-32'), fc.double({ min: 0, max: 14, noNaN: true }), (id, contentKg) => {
      const { ruling } = limitsOf(id, 26.2, contentKg)!;
      expect(ruling.mayAdd).toBeCloseTo(ruling.net - contentKg, 9);
    }),
    { numRuns: 60, seed: 20_261_126 },
  );
});

test('requiring one more rule never lets more in', () => {
  for (const id of ['R-410A', 'R-404A', 'R-22', 'R-32', 'R-744', 'R-454B']) {
    const filling = {
      rating: ratings[1],
      composition: refrigerant(id).composition,
      volume: volumeFrom(26.2, 'lb-water'),
      tare: kilogram(8),
      content: kilogram(0),
      hottest: fahrenheit(140),
    };
    const net = (required: typeof fillRules) => fillLimits(filling, { ...defaultFillPolicy, required }).ruling.net;
    const usual = net(defaultFillPolicy.required);
    for (const rule of fillRules) expect(net([...defaultFillPolicy.required, rule])).toBeLessThanOrEqual(usual * (1 + 1e-12));
  }
});

test('less liquid allowed at 131 °F is less weight', () => {
  const filling = {
    composition: refrigerant('R-410A').composition,
    volume: volumeFrom(26.2, 'lb-water'),
    tare: kilogram(8),
    content: kilogram(0),
    hottest: undefined,
  };
  const nets = [0.8, 0.9, 0.95, 1].map(
    (liquidShareAt131F) => fillLimits(filling, { required: ['not-liquid-full-131F'], liquidShareAt131F }).ruling.net,
  );
  expect(nets).toEqual([...nets].sort((a, b) => a - b));
});

test('filled cold to 80 % by a float, a cylinder in the sun is full: its weight would have told', () => {
  const { composition } = refrigerant('R-410A');
  const volume = volumeFrom(26.2, 'lb-water');
  const cold = closedVolume(composition, volume, kilogram(0.8 * 1170 * volume), celsius(0));
  expect(cold.state).toBe('two-phase');
  const massInIt = 0.8 * 1170 * volume;
  expect(massInIt).toBeGreaterThan(limitsOf('R-410A')!.ruling.net);
  expect(liquidFull(composition, density(massInIt / volume)).T).toBeLessThan(fahrenheit(120));
});

// 49 CFR 173.301(a)(8), from memory: pressure at 131 °F at most 5/4 of the service pressure.
test.each([
  ['R-22', 260, true],
  ['R-134a', 260, true],
  ['R-410A', 260, false],
  ['R-410A', 400, true],
  ['R-32', 400, true],
  ['R-407C', 350, true],
  ['R-744', 400, false],
] as const)('%s in a cylinder of %d psi: %s', (id, psi, suits) => {
  expect(pressureRating([refrigerant(id).composition], { stamp: 'us', servicePressure: psi * 6894.757 }).suits).toBe(suits);
});
