import fc from 'fast-check';
import { CoreError, NoFillLimit } from '../errors';
import { mixed } from '../fluids/composition';
import { allRefrigerants, refrigerant } from '../fluids/refrigerant';
import { closedVolume } from '../thermo/closed-volume';
import { bubblePoint } from '../thermo/saturation';
import { liquidFull } from '../thermo/liquid-full';
import { density, kilogram } from '../units/quantity';
import { celsius, fahrenheit } from '../units/temperature';
import { volumeFrom } from '../units/volume';
import { fillLimits, type FillLimits } from './fill-limit';
import { defaultFillPolicy, fillRules } from './fill-rule';
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
    });
  } catch (error) {
    if (error instanceof NoFillLimit) return undefined; // no liquid at 131 °F and no table: no stop weight is given
    throw error;
  }
};

function hasLiquidAt131F(id: string): boolean {
  try {
    return bubblePoint(refrigerant(id).composition, celsius(55)).p > 0;
  } catch (error) {
    if (error instanceof CoreError) return false;
    throw error;
  }
}

// 49 CFR 173.304(b), from memory: the liquid must not fill the packaging at any temperature up to 131 °F.
test.each(allRefrigerants.map(({ id }) => id))('a cylinder of %s filled to its stop is not full of liquid at 131 °F', (id) => {
  const limits = limitsOf(id);
  if (limits === undefined) return;
  if (!hasLiquidAt131F(id)) {
    // above its critical temperature nothing is liquid there: a published table bounds the filling
    const tabulated = limits.limits.find(({ rule }) => rule === 'filling-density');
    expect(limits.ruling.net).toBeLessThanOrEqual(tabulated?.net ?? 0);
    return;
  }
  const hot = levelAt(refrigerant(id).composition, volumeFrom(26.2, 'lb-water'), kilogram(limits.ruling.net), celsius(55));
  expect(['two-phase', 'vapour']).toContain(hot.state);
  expect(hot.liquidShare).toBeLessThanOrEqual(0.9501);
});

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
  expect(pressureRating(refrigerant(id).composition, psi * 6894.757).suits).toBe(suits);
});

test('a mixture of two contents has a limit of its own, between those of its parts or below', () => {
  const both = mixed([
    { composition: refrigerant('R-410A').composition, mass: 3 },
    { composition: refrigerant('R-22').composition, mass: 5 },
  ]);
  const filling = { volume: volumeFrom(26.2, 'lb-water'), tare: kilogram(8), content: kilogram(8), hottest: undefined };
  const net = fillLimits({ ...filling, composition: both }).ruling.net;
  expect(net).toBeGreaterThan(0.9 * limitsOf('R-410A')!.ruling.net);
  expect(net).toBeLessThan(limitsOf('R-22')!.limits.find(({ rule }) => rule === 'not-liquid-full-131F')!.net);
});
