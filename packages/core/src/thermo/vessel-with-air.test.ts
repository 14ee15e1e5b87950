import { BadComposition } from '../errors';
import { cubicMetre, kelvin, kilogram } from '../units/quantity';
import { bubblePoint } from './saturation';
import { vesselWithAir } from './vessel-with-air';

const V = cubicMetre(0.0119);
const T = kelvin(298.15);

// Dalton's law over CoolProp 8.0.0's saturation pressure and densities of R-134a: 0.045 kg of nitrogen over 8.955 kg in 11.9 L stand at
// 15.31 bar; the linear rule would give 13.26.
test('nitrogen over a refrigerant with which it is not published stays in the vapour', () => {
  const vessel = vesselWithAir({ 'R-134a': 0.995, 'R-728': 0.005 }, V, kilogram(9), T);
  expect(vessel.p / 1e5).toBeGreaterThan(15.1);
  expect(vessel.p / 1e5).toBeLessThan(15.5);
  expect(vessel.estimated).toBe(true);
  if (vessel.state !== 'two-phase') throw new Error('there is liquid and vapour in it');
  const gas = vessel.vapour['R-728']! * vessel.rhoVapour * (1 - vessel.liquidVolumeFraction) * V;
  expect(gas).toBeCloseTo(0.045, 6);
  expect(vessel.liquid).toEqual({ 'R-134a': 1 });
});

test('what is published is left to its equations', () => {
  const air = vesselWithAir({ 'R-728': 0.77, 'R-732': 0.23 }, cubicMetre(1), kilogram(1.17), T);
  expect(air.p / 1e5).toBeCloseTo(1.0, 1);
});

test('such a mixture has no boiling point of its own, and is told where to ask', () => {
  expect(() => bubblePoint({ 'R-134a': 0.995, 'R-728': 0.005 }, T)).toThrow(BadComposition);
  expect(() => bubblePoint({ 'R-134a': 0.995, 'R-728': 0.005 }, T)).toThrow(/closed volume/);
});
