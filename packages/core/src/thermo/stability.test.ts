import { LiquidParts } from '../errors';
import { refrigerant } from '../fluids/refrigerant';
import { cubicMetre, kelvin, kilogram } from '../units/quantity';
import { closedVolume } from './closed-volume';
import { bubblePoint, dewPoint } from './saturation';
import { smallestPivot } from './pivots';

// Tangent-plane minima found independently on CoolProp 8.0.0's fugacities: Σw 1.08 to 1.10 above 1, so each of these liquids parts.
test.each([
  [{ 'R-717': 0.2, 'R-290': 0.8 }, 298.15],
  [{ 'R-717': 0.8, 'R-290': 0.2 }, 298.15],
  [{ 'R-11': 0.66, 'R-23': 0.34 }, 218],
  [{ 'R-245fa': 0.77, 'R-600': 0.12, 'R-1336mzz(Z)': 0.11 }, 225],
])('a liquid that is only metastable is told to part: %j at %d K', (composition, T) => {
  expect(() => bubblePoint(composition, kelvin(T))).toThrow(LiquidParts);
});

test('azeotropes and wide blends in ordinary use are one liquid', () => {
  for (const id of ['R-500', 'R-507A', 'R-508A', 'R-410A', 'R-407C', 'R-455A', 'R-448A', 'R-430A', 'R-403B'])
    for (const T of [233, 273, 298]) expect(() => dewPoint(refrigerant(id).composition, kelvin(Math.min(T, 280)))).not.toThrow(LiquidParts);
});

// Between the ends of boiling and dew line CO2/R-600a 40/60 at 103 °C condenses when it is compressed and evaporates again.
test('in the retrograde strip there are two phases where a single one would part', () => {
  const composition = { 'R-744': 0.4, 'R-600a': 0.6 };
  const T = kelvin(376.15);
  const dew = dewPoint(composition, T);
  const at = (times: number) => closedVolume(composition, cubicMetre(1), kilogram(times * dew.rhoVapour), T);
  expect(at(0.9).state).toBe('vapour');
  let last = dew.p as number;
  for (const times of [1.05, 1.3, 1.5, 1.7]) {
    const vessel = at(times);
    expect(vessel.state).toBe('two-phase');
    expect(vessel.p).toBeGreaterThan(last);
    last = vessel.p;
  }
});

test('the smallest pivot of a diagonal is its smallest entry, of a singular matrix 0', () => {
  expect(smallestPivot(Float64Array.from([3, 0, 0, 2]), 2)).toBe(2);
  expect(smallestPivot(Float64Array.from([2, 2, 2, 2]), 2)).toBe(0);
});
