import { kelvin } from '../units/quantity';
import { fahrenheit } from '../units/temperature';
import { cannotBeKept, keepBelow } from './keep-below';

test('a cylinder that fills at 138 °F is kept below some 124 °F', () => {
  // one margin for every sentence about it: before, the page of the cylinder and that of its filling differed by 5 °F
  expect(keepBelow(fahrenheit(138))).toBeCloseTo(fahrenheit(138) - 8, 9);
});

test('nobody keeps a cylinder colder than ice does', () => {
  expect(cannotBeKept(kelvin(278))).toBe(true);
  expect(cannotBeKept(kelvin(278.3))).toBe(false);
});
