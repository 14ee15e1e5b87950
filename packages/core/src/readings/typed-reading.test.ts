import fc from 'fast-check';
import { isGaugeReading, isThermometerReading } from './typed-reading';

test.each([
  ['128', 'psig', true],
  ['0', 'psig', true],
  ['-5', 'psig', true],
  ['29', 'inHg', true],
  ['3000', 'psig', true],
  ['3001', 'psig', false],
  ['-15', 'psig', false], // below a full vacuum
  ['1211212122', 'psig', false],
  ['twelve', 'psig', false],
  ['', 'psig', false],
  ['128', 'furlong', false],
  ['128', 'toString', false],
])('a gauge shows %s %s: %s', (text, unit, can) => {
  expect(isGaugeReading(text, unit)).toBe(can);
});

test.each([
  ['95', 'F', true],
  ['-40', 'C', true],
  ['-300', 'C', false], // below absolute zero
  ['warm', 'F', false],
  ['', 'F', false],
  ['95', '', false],
])('a thermometer shows %s %s: %s', (text, unit, can) => {
  expect(isThermometerReading(text, unit)).toBe(can);
});

test('whatever is typed, it is a reading or it is none', () => {
  fc.assert(
    fc.property(fc.string(), fc.string(), (text, unit) => {
      expect([true, false]).toContain(isGaugeReading(text, unit));
      expect([true, false]).toContain(isThermometerReading(text, unit));
    }),
  );
});

test('what is no number to the field is none here, in any unit', () => {
  fc.assert(
    fc.property(
      fc.string({ unit: fc.constantFrom('a', 'b', 'x', 'y', '?', '!') }),
      fc.constantFrom('psig', 'barg', 'kPag', 'inHg', 'psia', 'bar'),
      (text, unit) => {
        expect(isGaugeReading(text, unit)).toBe(false);
      },
    ),
  );
});
