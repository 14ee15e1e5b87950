import fc from 'fast-check';
import { BadComposition, UnknownRefrigerant } from '../errors';
import { compositionOf, mixed, molarOf } from './composition';

test('shares that do not sum to 1 are refused with their sum', () => {
  expect(() => compositionOf({ 'R-32': 0.5, 'R-125': 0.4 })).toThrow(BadComposition);
  expect(() => compositionOf({ 'R-32': 0.5, 'R-125': 0.4 })).toThrow(/0\.9/);
});

test.each([{ 'R-32': Number.NaN }, { 'R-32': 1.2, 'R-125': -0.2 }])('a share that is no positive number is refused: %j', (shares) => {
  expect(() => compositionOf(shares)).toThrow(BadComposition);
});

test('an unknown substance is refused', () => {
  expect(() => compositionOf({ 'R-9999': 1 })).toThrow(UnknownRefrigerant);
});

test('mixing conserves each substance', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.01, max: 50, noNaN: true }), fc.double({ min: 0.01, max: 50, noNaN: true }), (a, b) => {
      const result = mixed([
        { composition: { 'R-32': 0.5, 'R-125': 0.5 }, mass: a },
        { composition: { 'R-22': 1 }, mass: b },
      ]);
      expect(result['R-22']! * (a + b)).toBeCloseTo(b, 9);
      expect(result['R-32']! * (a + b)).toBeCloseTo(a / 2, 9);
    }),
  );
});

// ANSI/ASHRAE 34 (from memory): molar mass of R-410A 72.6 g/mol.
test('the molar mass of R-410A is 72.6 g/mol', () => {
  expect(molarOf({ 'R-32': 0.5, 'R-125': 0.5 }).molarMass * 1000).toBeCloseTo(72.6, 1);
});
