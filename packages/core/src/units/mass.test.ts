import fc from 'fast-check';
import { NotANumber, OutOfRange } from '../errors';
import { massFrom, massFromPoundsOunces, massIn, poundsOuncesOf, type DecimalMassUnit } from './mass';

const units: DecimalMassUnit[] = ['kg', 'g', 'lb', 'oz'];
const anyUnit = fc.constantFrom(...units);
/** What a person can type on a scale: up to four decimals. */
const anyReading = fc.integer({ min: 0, max: 99_999_999 }).map((n) => n / 10_000);

test('one pound is 0.45359237 kg, exactly (international pound, 1959)', () => {
  expect(massFrom(1, 'lb')).toBe(0.45359237);
});

test('5 lb 5 oz is 5.3125 lb and not 5.5 lb', () => {
  expect(massIn(massFromPoundsOunces(5, 5), 'lb')).toBeCloseTo(5.3125, 12);
  expect(massFromPoundsOunces(5, 8)).toBeCloseTo(massFrom(5.5, 'lb'), 12);
});

test('a reading comes back from SI as it was typed, to twelve digits', () => {
  fc.assert(fc.property(anyReading, anyUnit, (value, unit) => Number(massIn(massFrom(value, unit), unit).toPrecision(12)) === value));
});

test('pounds and ounces come back as they were typed', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 2000 }), fc.integer({ min: 0, max: 159 }), (pounds, tenths) => {
      expect(poundsOuncesOf(massFromPoundsOunces(pounds, tenths / 10), 1)).toEqual({ pounds, ounces: tenths / 10 });
    }),
  );
});

test('ounces that round up to sixteen carry into the next pound', () => {
  expect(poundsOuncesOf(massFromPoundsOunces(4, 15.97), 1)).toEqual({ pounds: 5, ounces: 0 });
});

test('a negative or a missing mass is refused', () => {
  expect(() => massFrom(-1, 'kg')).toThrow(OutOfRange);
  expect(() => massFrom(Number.NaN, 'kg')).toThrow(NotANumber);
});
