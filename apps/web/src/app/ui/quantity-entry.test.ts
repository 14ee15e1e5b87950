import { massFrom } from '@hygromet/core/units/mass';
import { readQuantity } from './quantity-entry';

const entry = (unit: string, text: string, ounces = '') => ({ unit, text, ounces });
const bad = (sentence: RegExp) => ({ state: 'bad', sentence: expect.stringMatching(sentence) });

test('an untouched field is empty, not wrong', () => {
  expect(readQuantity('mass', entry('lb', ' '))).toEqual({ state: 'empty' });
});

test('5.5 lb and 5 lb 5 oz are different weights', () => {
  const decimal = readQuantity('mass', entry('lb', '5.5'));
  const ounces = readQuantity('mass', entry('lb-oz', '5', '5'));
  expect(decimal).toMatchObject({ state: 'good', si: massFrom(5.5, 'lb'), typed: { text: '5.5', unit: 'lb' } });
  expect(ounces).toMatchObject({ state: 'good', si: massFrom(5.3125, 'lb'), typed: { text: '5 lb 5 oz', unit: 'lb-oz' } });
});

test('a decimal in the pounds of lb + oz is asked back, not guessed', () => {
  expect(readQuantity('mass', entry('lb-oz', '5.5'))).toEqual(bad(/choose lb/));
});

test.each([
  ['mass', entry('lb', '-3'), /0 or more/],
  ['mass', entry('kg', 'heavy'), /not a number/],
  ['mass', entry('lb-oz', '5', '16'), /one more pound/],
  ['volume', entry('L', '0'), /above 0/],
  ['service-pressure', entry('psig', '0'), /collar/],
  ['temperature', entry('C', '-300'), /Check the unit/],
  ['pressure', entry('psig', '1211212122'), /No gauge reads .* above 3000 psig/],
  ['pressure', entry('barg', '-3'), /No gauge reads below a full vacuum/],
] as const)('%s %j has its sentence', (kind, typed, sentence) => {
  expect(readQuantity(kind, typed)).toEqual(bad(sentence));
});

test('R-744 that stands in the heat is read, though it is far above what other refrigerants stand at', () => {
  expect(readQuantity('pressure', entry('psig', '1400'))).toMatchObject({ state: 'good' });
});

test('a decimal comma reads like a decimal point', () => {
  expect(readQuantity('mass', entry('kg', '7,8'))).toMatchObject({ si: 7.8 });
});
