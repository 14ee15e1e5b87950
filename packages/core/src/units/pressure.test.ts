import fc from 'fast-check';
import { OutOfRange } from '../errors';
import { atmosphereAt, pressureDifferenceIn, pressureFrom, pressureIn, STANDARD_ATMOSPHERE, type PressureUnit } from './pressure';
import { altitude, pascal } from './quantity';

const units: PressureUnit[] = ['Pa', 'kPa', 'kPag', 'bar', 'barg', 'psia', 'psig', 'inHg', 'micron'];

// ICAO standard atmosphere, table of the ISA (from memory), printed to 0.1 hPa.
test.each([
  [0, 101_325],
  [1000, 89_875],
  [2000, 79_495],
  [3000, 70_108],
])('at %d m the atmosphere presses with %d Pa', (height, p) => {
  expect(atmosphereAt(altitude(height)) / p).toBeCloseTo(1, 4);
});

test('0 psig is the atmosphere of the site, not of the sea', () => {
  const denver = atmosphereAt(altitude(1609));
  expect(pressureFrom(0, 'psig', denver)).toBe(denver);
  expect(pressureIn(STANDARD_ATMOSPHERE, 'psig', denver)).toBeGreaterThan(2.4);
});

test('inches of vacuum count down from 29.92 at sea level', () => {
  expect(pressureIn(pascal(0), 'inHg', STANDARD_ATMOSPHERE)).toBeCloseTo(29.92, 2);
});

test('500 microns are 66.66 Pa', () => {
  expect(pressureFrom(500, 'micron', STANDARD_ATMOSPHERE)).toBeCloseTo(66.66, 2);
});

test('a reading comes back from SI as it was typed, at any height', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 280 }),
      fc.constantFrom(...units),
      fc.integer({ min: -400, max: 3000 }),
      (tenths, unit, height) => {
        const atmosphere = atmosphereAt(altitude(height));
        const reading = tenths / 10;
        const absolute = unit === 'inHg' ? Math.min(reading, 20) : reading;
        expect(pressureIn(pressureFrom(absolute, unit, atmosphere), unit, atmosphere)).toBeCloseTo(absolute, 9);
      },
    ),
  );
});

test('a vacuum deeper than the atmosphere is refused', () => {
  expect(() => pressureFrom(31, 'inHg', STANDARD_ATMOSPHERE)).toThrow(OutOfRange);
});

test('a difference has no reference', () => {
  expect(pressureDifferenceIn(6894.757293168361, 'psig')).toBe(1);
});
