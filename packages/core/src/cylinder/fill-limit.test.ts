import fc from 'fast-check';
import { NoFillLimit } from '../errors';
import { allRefrigerants, refrigerant } from '../fluids/refrigerant';
import { massIn } from '../units/mass';
import { cubicMetre, kilogram } from '../units/quantity';
import { celsius } from '../units/temperature';
import { litre, volumeFrom } from '../units/volume';
import { fillLimits, type FillLimits } from './fill-limit';
import { defaultFillPolicy, type FillRule } from './fill-rule';

const filled = (id: string, more: { volume?: number; contentKg?: number; hottestC?: number } = {}) => ({
  composition: refrigerant(id).composition,
  volume: cubicMetre(more.volume ?? litre(1)),
  tare: kilogram(7.802),
  content: kilogram(more.contentKg ?? 0),
  hottest: more.hottestC === undefined ? undefined : celsius(more.hottestC),
});
const limit = (limits: FillLimits, rule: FillRule) => limits.limits.find((candidate) => candidate.rule === rule);

// AHRI Guideline K (from memory): 0.80 × 11.91 L × 1058.6 kg/m³ = 10.09 kg.
test('a 26.2 lb cylinder may hold 22.2 lb of R-410A at 80 % and 77 °F, and 21.6 lb by the 131 °F rule, which rules', () => {
  const limits = fillLimits(filled('R-410A', { volume: volumeFrom(26.2, 'lb-water') }));
  expect(massIn(limit(limits, 'eighty-percent-77F')!.net, 'lb')).toBeCloseTo(22.2, 1);
  expect(massIn(limits.ruling.net, 'lb')).toBeCloseTo(21.6, 1);
  expect(limits.ruling.rule).toBe('not-liquid-full-131F');
  expect(limits.ruling.formula).toBe('0.95 × 11.91 L × 865 kg/m³');
});

// ADR, packing instruction P200, table 2 (from memory): printed to 0.01 kg per litre, so it cannot judge closer than 0.5 %.
test.each([
  ['R-134a', 1.05],
  ['R-22', 1.03],
  ['R-12', 1.15],
])('95 %% liquid at 50 °C reproduces the P200 ratio of %s', (id, ratio) => {
  const computed = limit(fillLimits(filled(id)), 'un-p200')!.bases.find(({ what }) => what === '95 % liquid at 50 °C')!;
  expect(computed.net / ratio).toBeCloseTo(1, 2);
});

test('R-404A and R-32: where the tabulated P200 figure and the computed ones differ, the smaller rules', () => {
  for (const id of ['R-404A', 'R-32']) {
    const p200 = limit(fillLimits(filled(id)), 'un-p200')!;
    expect(p200.bases.map(({ what }) => what)).toHaveLength(3);
    expect(p200.net).toBe(Math.min(...p200.bases.map(({ net }) => net)));
  }
});

// 49 CFR 173.304a(a)(2) table (from memory): R-22 105 % of the weight of water.
test('R-22 has a tabulated filling density, R-410A has none', () => {
  const r22 = limit(fillLimits(filled('R-22', { volume: volumeFrom(100, 'lb-water') })), 'filling-density')!;
  expect(massIn(r22.net, 'lb')).toBeCloseTo(105, 3);
  expect(limit(fillLimits(filled('R-410A')), 'filling-density')).toBeUndefined();
});

test('the hottest place is advice until the organisation requires it; then it rules', () => {
  const filling = filled('R-410A', { hottestC: 60 });
  expect(limit(fillLimits(filling), 'hottest-place')!.required).toBe(false);
  expect(fillLimits(filling).ruling.rule).toBe('not-liquid-full-131F');
  const cautious = { ...defaultFillPolicy, required: [...defaultFillPolicy.required, 'hottest-place' as const] };
  expect(fillLimits(filling, cautious).ruling.rule).toBe('hottest-place');
});

test('an overfilled cylinder is told by how much: what may be added is negative', () => {
  expect(fillLimits(filled('R-410A', { contentKg: 1 })).ruling.mayAdd).toBeLessThan(0);
});

test.each(['R-508B', 'R-23', 'R-170'])('%s has no liquid at 131 °F and no table: no stop weight is given', (id) => {
  expect(() => fillLimits(filled(id))).toThrow(NoFillLimit);
});

test('R-744 has no liquid at 131 °F but a tabulated filling density', () => {
  expect(limit(fillLimits(filled('R-744')), 'filling-density')!.net).toBeCloseTo(0.68 * 0.998, 3);
});

const liquidWhenHot = allRefrigerants.filter(({ id }) => {
  try {
    return fillLimits(filled(id)).limits.some(({ rule }) => rule === 'not-liquid-full-131F');
  } catch (error) {
    if (error instanceof NoFillLimit) return false;
    throw error;
  }
});

test('a hotter place never allows more', () => {
  const anyTwoT = fc.tuple(fc.integer({ min: 30, max: 55 }), fc.integer({ min: 0, max: 8 }));
  fc.assert(
    fc.property(fc.constantFrom(...liquidWhenHot), anyTwoT, ({ id }, [cool, more]) => {
      const at = (hottestC: number) => limit(fillLimits(filled(id, { hottestC })), 'hottest-place')?.net ?? 0;
      return at(cool + more) <= at(cool);
    }),
    { numRuns: 40 },
  );
});

test('a limit grows with the volume and not with the tare', () => {
  const one = fillLimits(filled('R-134a', { volume: litre(10) }));
  const two = fillLimits(filled('R-134a', { volume: litre(20) }));
  expect(two.ruling.net / one.ruling.net).toBeCloseTo(2, 9);
  expect(one.ruling.gross - one.ruling.net).toBeCloseTo(7.802, 9);
});
