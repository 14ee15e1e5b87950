import fc from 'fast-check';
import { OutOfRange } from '../errors';
import { fahrenheit, temperatureDifferenceIn, temperatureFrom, temperatureIn, type TemperatureUnit } from './temperature';

test.each([
  [32, 273.15],
  [77, 298.15],
  [131, 328.15],
  [-40, 233.15],
])('%d °F is %d K', (reading, T) => {
  expect(fahrenheit(reading)).toBeCloseTo(T, 12); // 233.15 has no exact binary
});

test('a reading comes back from SI as it was typed', () => {
  const anyUnit = fc.constantFrom<TemperatureUnit>('K', 'C', 'F');
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 2000 }), anyUnit, (tenths, unit) => {
      const reading = tenths / 10 + 0.1;
      expect(Number(temperatureIn(temperatureFrom(reading, unit), unit).toFixed(9))).toBe(Number(reading.toFixed(9)));
    }),
  );
});

test('a difference has no offset', () => {
  expect(temperatureDifferenceIn(10, 'F')).toBeCloseTo(18, 12);
});

test('nothing is colder than absolute zero', () => {
  expect(() => temperatureFrom(-300, 'C')).toThrow(OutOfRange);
});
