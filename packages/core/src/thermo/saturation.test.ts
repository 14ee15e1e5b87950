import boilingPoints from '../../checks/ashrae34-boiling-points.json';
import handbook from '../../checks/handbook.json';
import blendRows from '../../checks/saturation-blends.json';
import pureRows from '../../checks/saturation-pure.json';
import { LiquidParts, NoTwoPhaseState, OutOfRange } from '../errors';
import { findBlend } from '../fluids/blend';
import { compositionOf } from '../fluids/composition';
import { refrigerant } from '../fluids/refrigerant';
import { findSubstance } from '../fluids/substance';
import { celsius } from '../units/temperature';
import { kelvin } from '../units/quantity';
import { enthalpy } from './caloric';
import { bubblePoint, dewPoint, phasesOf } from './saturation';

const at = (id: string, T: number) => {
  const { composition } = refrigerant(id);
  return { bubble: bubblePoint(composition, kelvin(T)), dew: dewPoint(composition, kelvin(T)) };
};
const off = (value: number, wanted: number) => Math.abs(value / wanted - 1);

// CoolProp 8.0.0 (MIT) from the same coefficients, confirmed by a second solver to 5e-8.
const withinTheEquation = pureRows.filter(({ id, T }) => T >= findSubstance(id)!.minT);

test('only R-114 and R-236ea have a row below the lower limit of their equation', () => {
  expect(pureRows.filter((row) => !withinTheEquation.includes(row)).map(({ id }) => id)).toEqual(['R-114', 'R-236ea']);
});

test.each(withinTheEquation)('$id at $T K agrees with the check table', ({ id, T, p, rhoLiquid, rhoVapour, latentHeat }) => {
  const { bubble, dew } = at(id, T);
  expect(Math.max(off(bubble.p, p), off(bubble.rhoLiquid, rhoLiquid), off(bubble.rhoVapour, rhoVapour))).toBeLessThan(1e-7);
  expect(off(enthalpy(phasesOf(dew).vapour) - enthalpy(phasesOf(bubble).liquid), latentHeat)).toBeLessThan(1e-6);
});

interface BlendRow {
  id: string;
  T: number;
  interpolated?: boolean;
  pBubble: number;
  rhoLiquid: number;
  pDew: number;
  rhoVapour: number;
  latentHeat: number;
}

test.each(blendRows as BlendRow[])('$id at $T K agrees with the check table', (row) => {
  const { bubble, dew } = at(row.id, row.T);
  // rows marked as interpolated are good to 1e-4: the library did not converge there
  const tolerance = row.interpolated ? 3e-4 : 1e-7;
  const worst = Math.max(
    off(bubble.p, row.pBubble),
    off(bubble.rhoLiquid, row.rhoLiquid),
    off(dew.p, row.pDew),
    off(dew.rhoVapour, row.rhoVapour),
  );
  expect(worst).toBeLessThan(tolerance);
  expect(off(enthalpy(phasesOf(dew).vapour) - enthalpy(phasesOf(bubble).liquid), row.latentHeat)).toBeLessThan(
    row.interpolated ? 3e-4 : 1e-6,
  );
});

/** Shift of a boiling point, K, by the slope of the boiling line: (p(T) − 1 atm)/(dp/dT). */
function boilingPointError(id: string, line: 'bubble' | 'dew', printed: number): number {
  const [here, above] = [at(id, celsius(printed))[line].p, at(id, celsius(printed + 0.1))[line].p];
  return (101_325 - here) / ((above - here) / 0.1);
}

/**
 * Blends whose printed point the model misses by more, K, with the reason. The first group rests on pairs that nobody has published;
 * in the second every pair is published and fits the printed point only this well; nobody can say from here which of the two is off.
 */
const boilingPointExceptions: Record<string, { within: number; reason: string }> = {
  'R-403B': { within: 3.8, reason: 'R-290/R-218 and R-22/R-218 by the linear rule' },
  'R-413A': { within: 3.0, reason: 'R-218 with R-134a and R-600a by the linear rule' },
  'R-411B': { within: 1.3, reason: 'published pairs of R-1270' },
  'R-417A': { within: 1.2, reason: 'published pair R-125/R-600 with R-134a' },
  'R-422B': { within: 1.0, reason: 'published pair R-125/R-600a with R-134a' },
  'R-422C': { within: 0.9, reason: 'published pair R-125/R-600a with R-134a' },
  'R-444B': { within: 0.8, reason: 'published pairs of R-1234ze(E) with R-32 and R-152a' },
  'R-454C': { within: 0.7, reason: 'published pair R-32/R-1234yf at a large glide' },
  'R-455A': { within: 0.6, reason: 'published pairs of R-744, glide above 10 K' },
  'R-502': { within: 0.7, reason: 'published pair R-22/R-115' },
};

test.each(boilingPoints.rows)('$id boils at the temperatures of ANSI/ASHRAE 34 (from memory)', ({ id, bubbleC, dewC }) => {
  const tolerance = boilingPointExceptions[id]?.within ?? (findBlend(id)!.modelQuality === 'published' ? 0.5 : 1.2);
  expect(Math.abs(boilingPointError(id, 'bubble', bubbleC))).toBeLessThan(tolerance);
  expect(Math.abs(boilingPointError(id, 'dew', dewC))).toBeLessThan(tolerance);
});

// ASHRAE Handbook Fundamentals, saturation tables (from memory). Pure substances: the same equations, as far as the digits go, the
// volume of R-134a to 0.2 %. Blends there are pseudo-pure fluids (Lemmon 2003), whose pressures differ from the mixture model by 0.3 %.
const printed: {
  id: string;
  tC: number;
  pkPa?: number;
  pBubblekPa?: number;
  pDewkPa?: number;
  rhoLiquid: number;
  volumeVapour?: number;
}[] = handbook.rows;

test.each(printed)('$id at $tC °C is as the handbook prints it', ({ id, tC, pkPa, pBubblekPa, pDewkPa, rhoLiquid, volumeVapour }) => {
  const { bubble, dew } = at(id, celsius(tC));
  expect(off(bubble.p / 1000, pkPa ?? pBubblekPa!)).toBeLessThan(pkPa === undefined ? 3e-3 : 1e-3);
  expect(off(bubble.rhoLiquid, rhoLiquid)).toBeLessThan(1e-3);
  if (pDewkPa !== undefined) expect(off(dew.p / 1000, pDewkPa)).toBeLessThan(3e-3);
  if (volumeVapour !== undefined) expect(off(1 / dew.rhoVapour, volumeVapour)).toBeLessThan(2e-3);
});

test('R-407C has a bubble and a dew point at 131 °F, where the limit of a cylinder is decided', () => {
  const { bubble, dew } = at('R-407C', 328.15);
  expect(bubble.p).toBeGreaterThan(dew.p);
});

test('above the end of the boiling line there is an error that names the end, never a clamped value', () => {
  expect(() => at('R-744', 320)).toThrow(NoTwoPhaseState);
  expect(() => at('R-508B', 328.15)).toThrow(/saturation line of this refrigerant ends at 28\d/);
});

test('below the lower limit of the equation there is an error', () => {
  expect(() => at('R-114', 250)).toThrow(OutOfRange);
});

test('a blend with a pair that nobody published says that it is estimated', () => {
  expect(at('R-403A', 298.15).bubble.estimated).toBe(true);
  expect(at('R-410A', 298.15).bubble.estimated).toBe(false);
});

test('a liquid that parts into two layers is refused by name, and from where it is one its temperature is said', () => {
  expect(() => bubblePoint(compositionOf({ 'R-717': 0.479, 'R-13': 0.521 }), kelvin(221))).toThrow(LiquidParts);
  expect(() => bubblePoint(refrigerant('R-504').composition, kelvin(200))).toThrow(/below 20\d\.\d+ K/);
});

test('of the liquids that a vapour could form, the stable one is found', () => {
  // two layers could form from R-504's vapour at 184 K; the one poor in R-32 would fall apart
  expect(dewPoint(refrigerant('R-504').composition, kelvin(184)).liquid['R-32']).toBeGreaterThan(0.9);
});
