import { refrigerant } from '../fluids/refrigerant';
import { bubblePoint } from '../thermo/saturation';
import { massFrom } from '../units/mass';
import { cubicMetre, kilogram } from '../units/quantity';
import { celsius } from '../units/temperature';
import { volumeFrom } from '../units/volume';
import { fillLimits } from './fill-limit';
import { HOSES, stopWeight, USUAL_HANDLING } from './stop-weight';

const { composition } = refrigerant('R-410A');
const { limits, ruling: limit } = fillLimits({
  composition,
  volume: volumeFrom(26.2, 'lb-water'),
  tare: massFrom(17.2, 'lb'),
  content: kilogram(0),
});
const nothing = { scaleOff: 0, hose: HOSES.none, oilShare: 0 };

test('without anything left open it is the limit', () => {
  expect(stopWeight(limit, composition, nothing)).toEqual({ gross: limit.gross, scale: 0, hose: 0, oil: 0 });
});

test('the scale is taken at its worst, and the hose empties into the cylinder', () => {
  const { gross, hose } = stopWeight(limit, composition, { ...nothing, scaleOff: 0.05, hose: 1e-4 });
  expect(hose).toBeCloseTo(1e-4 * bubblePoint(composition, celsius(25)).rhoLiquid, 9);
  expect(gross).toBeCloseTo(limit.gross - 0.05 - hose, 9);
});

test('oil lighter than the liquid lowers the limit by the room it takes; a heavier one never raises it', () => {
  const dense = limits.find(({ rule }) => rule === 'eighty-percent-77F')!;
  const { oil } = stopWeight(dense, composition, { ...nothing, oilShare: 0.1 });
  // 90 % liquid and 10 % oil by mass fill the volume of the limit exactly
  const density = dense.bases[0]!.density;
  const mass = dense.net - oil;
  expect((0.9 * mass) / density + (0.1 * mass) / 900).toBeCloseTo(dense.net / density, 9);
  const light = { ...limit, bases: [{ ...limit.bases[0]!, density: 600 as typeof density }] };
  expect(stopWeight(light, composition, { ...nothing, oilShare: 0.1 }).oil).toBe(0);
});

test('as usual: a tenth of a pound for the scale and about as much for one hose', () => {
  const { scale, hose } = stopWeight(limit, composition, USUAL_HANDLING);
  expect(scale).toBeCloseTo(massFrom(0.11, 'lb'), 3);
  expect(hose).toBeGreaterThan(0.06);
  expect(hose).toBeLessThan(0.1);
});

test('a refrigerant without liquid at room temperature still has a stop below its limit', () => {
  const cold = refrigerant('R-744').composition;
  const own = fillLimits({ composition: cold, volume: cubicMetre(0.02), tare: kilogram(20), content: kilogram(0) }).ruling;
  expect(stopWeight(own, cold, USUAL_HANDLING).gross).toBeLessThan(own.gross);
});
