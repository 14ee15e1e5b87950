import { NoTwoPhaseState } from '../errors';
import { refrigerant } from '../fluids/refrigerant';
import { bubblePoint, dewPoint } from '../thermo/saturation';
import { pascal, kelvin } from '../units/quantity';
import { pressureFrom, STANDARD_ATMOSPHERE } from '../units/pressure';
import { celsius, fahrenheit } from '../units/temperature';
import { candidates } from './candidates';
import { subcooling, superheat } from './superheat';
import { vesselAtRest } from './vessel-at-rest';

const of = (id: string) => refrigerant(id).composition;
const psig = (value: number) => pressureFrom(value, 'psig', STANDARD_ATMOSPHERE);

// Pressure–temperature cards as they hang in every van (common practice, from memory): R-22 boils at 40 °F under 68.5 psig, R-410A under 118 psig.
test.each([
  ['R-22', 68.5],
  ['R-410A', 118],
])('%s on a suction line at 50 °F under %d psig has 10 °F of superheat', (id, gauge) => {
  expect((superheat(of(id), psig(gauge), fahrenheit(50)) * 9) / 5).toBeCloseTo(10, 0);
});

test('a blend with a glide is superheated above its dew point and subcooled below its bubble point', () => {
  const composition = of('R-407C');
  const T = celsius(25);
  const [bubble, dew] = [bubblePoint(composition, T).p, dewPoint(composition, T).p];
  expect(superheat(composition, dew, kelvin(T + 5))).toBeCloseTo(5, 5);
  expect(subcooling(composition, bubble, kelvin(T - 5))).toBeCloseTo(5, 5);
  // by the wrong line it would be off by the glide, about 5 K
  expect(subcooling(composition, dew, T)).toBeLessThan(-4);
});

test('a cylinder at its own pressure is saturated, above it there is air, and below it no liquid', () => {
  const composition = of('R-134a');
  const p = bubblePoint(composition, celsius(25)).p;
  expect(vesselAtRest(composition, p, celsius(25))).toMatchObject({ verdict: 'saturated', airShare: 0, aboveAhri700: false });
  expect(vesselAtRest(composition, pascal(p * 0.8), celsius(25)).verdict).toBe('low');
  const high = vesselAtRest(composition, pascal(p / 0.9), celsius(25));
  expect(high).toMatchObject({ verdict: 'high', aboveAhri700: true });
  expect(high.airShare).toBeCloseTo(0.1, 12);
});

test('between its two points a blend has little liquid left', () => {
  const composition = of('R-407C');
  const [bubble, dew] = [bubblePoint(composition, celsius(25)).p, dewPoint(composition, celsius(25)).p];
  expect(vesselAtRest(composition, pascal((bubble + dew) / 2), celsius(25)).verdict).toBe('little-liquid');
});

test('within what a thermometer and a gauge can tell nothing is claimed', () => {
  const composition = of('R-410A');
  const oneKelvinOff = bubblePoint(composition, celsius(26)).p;
  expect(vesselAtRest(composition, oneKelvinOff, celsius(25)).verdict).toBe('saturated');
});

test('above the end of the boiling line there is no verdict', () => {
  expect(() => vesselAtRest(of('R-744'), pascal(7e6), celsius(40))).toThrow(NoTwoPhaseState);
});

test('of a measured pair the refrigerants that could show it are named, the nearest first', () => {
  const at = celsius(25);
  const found = candidates(bubblePoint(of('R-410A'), at).p, at);
  expect(found[0]).toMatchObject({ id: 'R-410A', difference: 0 });
  const ids = found.map(({ id }) => id);
  expect(ids).not.toContain('R-22');
  expect(ids).not.toContain('R-134a');
  const off = found.map(({ difference }) => Math.abs(difference));
  expect(off).toEqual([...off].sort((a, b) => a - b));
});

test('a pressure that no refrigerant has at that temperature names nobody', () => {
  expect(candidates(pascal(10e6), celsius(25))).toEqual([]);
});
