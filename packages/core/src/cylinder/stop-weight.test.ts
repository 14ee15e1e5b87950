import { refrigerant } from '../fluids/refrigerant';
import { bubblePoint } from '../thermo/saturation';
import { massFrom } from '../units/mass';
import { cubicMetre, kilogram } from '../units/quantity';
import { celsius } from '../units/temperature';
import { volumeFrom } from '../units/volume';
import { fillLimits } from './fill-limit';
import { HOSES, usualScaleOff, USUAL_HANDLING } from './handling';
import { stopWeight, type BudgetTerm, type StopWeight } from './stop-weight';

const { composition } = refrigerant('R-410A');
const filling = { volume: volumeFrom(26.2, 'lb-water'), tare: massFrom(17.2, 'lb'), content: kilogram(0), port: 'liquid' } as const;
const limits = fillLimits({ ...filling, composition });
const nothing = { scaleOff: 0, hose: HOSES.none, oilShare: 0 };
const of = ({ budget }: StopWeight, term: BudgetTerm) => budget.find((entry) => entry.term === term)!.kg;

test('the stop is the limit less its budget, and every part lowers it', () => {
  const stop = stopWeight(limits, composition, USUAL_HANDLING);
  expect(stop.limit).toBe(limits.ruling);
  expect(stop.budget.reduce((sum, { kg }) => sum + kg, stop.gross)).toBeCloseTo(limits.ruling.gross, 9);
  for (const { kg } of stop.budget) expect(kg).toBeGreaterThanOrEqual(0);
});

test('density, capacity, tare and scale add up by their squares: independent half-widths of 95 %', () => {
  const stop = stopWeight(limits, composition, { ...nothing, scaleOff: 0.3 });
  const { net } = limits.ruling;
  expect(limits.ruling.gross - stop.gross).toBeCloseTo(Math.hypot(0.005 * net, 0.01 * net, 0.045, 0.3), 9);
  expect(of(stop, 'scale')).toBeGreaterThan(of(stop, 'capacity')); // the largest has the largest share
  // and no single one of them, at its worst, passes the limit
  expect(limits.ruling.gross - stop.gross).toBeGreaterThan(0.3);
});

test('the hose empties into the cylinder', () => {
  const [without, with_] = [nothing, { ...nothing, hose: 1e-4 }].map((entry) => stopWeight(limits, composition, entry).gross);
  expect(without! - with_!).toBeCloseTo(1e-4 * bubblePoint(composition, celsius(25)).rhoLiquid, 9);
});

test('oil lighter than the liquid lowers every limit that binds by the room it takes; a heavier one never raises it', () => {
  const dense = fillLimits({ ...filling, composition: refrigerant('R-134a').composition });
  const stop = stopWeight(dense, refrigerant('R-134a').composition, { ...nothing, oilShare: 0.1 });
  const [basis] = stop.limit.bases;
  const mass = stop.limit.net - of(stop, 'oil');
  expect((0.9 * mass) / basis!.density + (0.1 * mass) / 860).toBeCloseTo(stop.limit.net / basis!.density, 9);
  const light = refrigerant('R-290').composition;
  expect(of(stopWeight(fillLimits({ ...filling, composition: light }), light, { ...nothing, oilShare: 0.1 }), 'oil')).toBe(0);
});

// with 30 % oil the 131 °F rule of these is not lowered, for their hot liquid is lighter than oil; 80 % at 77 °F then is the stricter one
test.each(['R-466A', 'R-452A', 'R-454B', 'R-452B', 'R-32', 'R-410A'])('%s with much oil keeps every required rule', (id) => {
  const current = refrigerant(id).composition;
  const found = fillLimits({ ...filling, composition: current });
  for (const oilShare of [0.05, 0.1, 0.3, 0.5]) {
    const net = stopWeight(found, current, { ...nothing, oilShare }).gross - filling.tare;
    for (const { required, bases, net: limit } of found.limits) {
      if (!required) continue;
      const rho = bases[0]!.density;
      expect((1 - oilShare) / rho + oilShare / 860).toBeLessThanOrEqual(limit / (net * rho) + 1e-12);
    }
  }
});

test('the scale follows the weight that stands on it: 0.05 kg at a bench, 0.35 kg under half a ton', () => {
  expect(usualScaleOff(17)).toBe(0.05);
  expect(usualScaleOff(700)).toBeCloseTo(0.35, 9);
});

test('a blend whose port nobody said is stopped by its first vapour; a pure refrigerant drifts nowhere', () => {
  const drift = (id: string, port?: 'liquid' | 'vapour') => {
    const current = refrigerant(id).composition;
    return of(stopWeight(fillLimits({ ...filling, composition: current, port }), current, nothing), 'drift');
  };
  expect(drift('R-407C')).toBeGreaterThan(0.2);
  expect(drift('R-407C', 'vapour')).toBe(drift('R-407C'));
  expect(drift('R-407C', 'liquid')).toBe(0);
  expect(drift('R-22')).toBe(0);
});

test('carbon dioxide, without liquid in a warm hose, still has a stop below its limit', () => {
  const cold = refrigerant('R-744').composition;
  const current = fillLimits({
    composition: cold,
    volume: cubicMetre(0.02),
    tare: kilogram(20),
    content: kilogram(0),
    rating: { stamp: 'un', testPressure: 190e5 },
  });
  expect(stopWeight(current, cold, USUAL_HANDLING).gross).toBeLessThan(current.ruling.gross);
});
