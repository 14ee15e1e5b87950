import { LiquidParts, NoFillLimit } from '../errors';
import { allRefrigerants, refrigerant } from '../fluids/refrigerant';
import { bubblePoint } from '../thermo/saturation';
import { massIn } from '../units/mass';
import { cubicMetre, kilogram } from '../units/quantity';
import { celsius } from '../units/temperature';
import { litre, volumeFrom } from '../units/volume';
import type { CylinderRating } from './cylinder-rating';
import { fillLimits, type FillLimits } from './fill-limit';
import { UNKNOWN } from './unknown-content';
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

// Independent figures: 0.95 × 11.909 L × saturated liquid at 60 °C by CoolProp 8.0.0
test.each([
  ['R-410A', 9.23],
  ['R-404A', 9.2],
  ['R-507A', 9.12],
  ['R-125', 9.87],
  ['R-32', 8.75],
  ['R-454B', 8.98],
  ['R-452A', 10.1],
  ['R-448A', 10.23],
  ['R-407C', 10.76],
])('a place of 140 °F that was named is law: %s, %d kg', (id, kg) => {
  const { ruling } = fillLimits(filled(id, { hottestC: 60, volume: 0.011909 }));
  expect(ruling.rule).toBe('not-liquid-full-hottest');
  expect(ruling.net).toBeCloseTo(kg, 2);
});

test('80 % at the hottest location is advice until the organisation requires it; then it rules', () => {
  const filling = filled('R-410A', { hottestC: 60 });
  expect(limit(fillLimits(filling), 'hottest-place')!.required).toBe(false);
  const cautious = { ...defaultFillPolicy, required: [...defaultFillPolicy.required, 'hottest-place' as const] };
  expect(fillLimits(filling, cautious).ruling.rule).toBe('hottest-place');
});

test('a place of 131 °F or less adds nothing to the rule for 131 °F', () => {
  expect(limit(fillLimits(filled('R-410A', { hottestC: 55 })), 'not-liquid-full-hottest')).toBeUndefined();
});

test('whatever is switched off, R-125 is not full of liquid at 131 °F, nor at 140 °F under a UN stamp', () => {
  const lax = { required: ['eighty-percent-77F' as const], liquidShareAt131F: 1 };
  const rho = (C: number) => bubblePoint(refrigerant('R-125').composition, celsius(C)).rhoLiquid;
  expect(fillLimits(filled('R-125'), lax).ruling.net).toBeCloseTo(litre(1) * rho(55), 9);
  const un = fillLimits({ ...filled('R-125'), rating: { stamp: 'un', testPressure: 49e5 } }, lax).ruling;
  expect(un.net).toBeLessThanOrEqual(litre(1) * rho(60));
});

test('an overfilled cylinder is told by how much: what may be added is negative', () => {
  expect(fillLimits(filled('R-410A', { contentKg: 1 })).ruling.mayAdd).toBeLessThan(0);
});

// ADR / UN Model Regulations, P200 (2) and table 2, from memory: settled pressure at 65 °C at most the test pressure. kg per litre.
test.each([
  ['R-744', 190, 0.672],
  ['R-744', 250, 0.762],
  ['R-23', 190, 0.878],
  ['R-23', 250, 0.958],
  ['R-116', 200, 1.132],
  ['R-13', 190, 1.036],
  ['R-13', 250, 1.104],
])('%s at a test pressure of %i bar: %d kg per litre', (id, bar, ratio) => {
  const un = { ...filled(id), rating: { stamp: 'un', testPressure: bar * 1e5 } } as const;
  const { ruling } = fillLimits(un);
  expect(ruling.rule).toBe('un-p200');
  expect(ruling.bases.find(({ p }) => p !== undefined)!.net).toBeCloseTo(ratio, 3);
  expect(ruling.net / ratio).toBeCloseTo(1, 2); // the table prints two digits, and may be the smaller
});

test.each(['R-744', 'R-23', 'R-508B', 'R-170', 'R-1150', 'R-503', 'R-469A', 'R-472A'])(
  '%s is refused by the name of the mark that is missing, whatever else is known',
  (id) => {
    const missing = (rating?: CylinderRating) => {
      try {
        return fillLimits({ ...filled(id), rating }).ruling.net;
      } catch (error) {
        if (error instanceof NoFillLimit) return error.missing;
        throw error;
      }
    };
    expect(missing()).toBe('stamp');
    expect(missing({ testPressure: 2e7, servicePressure: 1.2e7 })).toBe('stamp');
    expect(missing({ stamp: 'un' })).toBe('testPressurePa');
    expect(missing({ stamp: 'un', testPressure: 2e7 })).toBeGreaterThan(0);
    expect(missing({ stamp: 'us', testPressure: 2e7, servicePressure: 1.2e7 })).toBeGreaterThan(0);
  },
);

test('10 ppm of something else change nothing: the same refrigerant is the same everywhere', () => {
  const pure = fillLimits({ ...filled('R-744'), rating: { stamp: 'un', testPressure: 190e5 } });
  const trace = fillLimits({
    ...filled('R-744'),
    composition: { 'R-744': 1 - 1e-5, 'R-134a': 1e-5 },
    rating: { stamp: 'un', testPressure: 190e5 },
  });
  expect(trace.estimated).toBe(false);
  expect(trace.ruling.net / pure.ruling.net).toBeCloseTo(1, 3);
  const r22 = fillLimits({ ...filled('R-22'), composition: { 'R-22': 0.9999, 'R-290': 0.0001 } });
  expect(limit(r22, 'filling-density')!.required).toBe(true);
});

test('unknown content: the lightest liquid of everything it could be, 60 % at 131 °F; what is known of anything allows no less', () => {
  const unknown = fillLimits({ ...filled('R-22'), composition: UNKNOWN }).ruling;
  expect(unknown.rule).toBe('unknown-content');
  for (const { id } of allRefrigerants) {
    try {
      const { net } = fillLimits(filled(id, { hottestC: 55 })).ruling;
      expect(unknown.net).toBeLessThanOrEqual(net);
    } catch (error) {
      expect(error).toBeInstanceOf(NoFillLimit);
    }
  }
});

test('two refrigerants together are held to 60 % of the lightest at 131 °F; a blend that leaked is not', () => {
  const mixture = fillLimits({ ...filled('R-22'), composition: { 'R-22': 0.7, 'R-32': 0.15, 'R-125': 0.15 } }).ruling;
  expect(mixture.rule).toBe('unknown-content');
  expect(mixture.net).toBeLessThanOrEqual(0.6 * litre(1) * bubblePoint({ 'R-32': 1 }, celsius(55)).rhoLiquid);
  expect(fillLimits({ ...filled('R-407C'), composition: { 'R-32': 0.21, 'R-125': 0.24, 'R-134a': 0.55 } }).ruling.rule).not.toBe(
    'unknown-content',
  );
});

test('a rule that binds and cannot be computed refuses: two liquids that part have no stop', () => {
  const parting = { ...filled('R-717'), content: kilogram(0.1), incoming: { composition: refrigerant('R-290').composition } };
  expect(() => fillLimits(parting)).toThrow(LiquidParts);
});

test('a limit grows with the volume and not with the tare', () => {
  const one = fillLimits(filled('R-134a', { volume: litre(10) }));
  const two = fillLimits(filled('R-134a', { volume: litre(20) }));
  expect(two.ruling.net / one.ruling.net).toBeCloseTo(2, 9);
  expect(one.ruling.gross - one.ruling.net).toBeCloseTo(7.802, 9);
});
