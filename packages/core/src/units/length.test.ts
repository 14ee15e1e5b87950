import { OutOfRange } from '../errors';
import { lengthFrom, lengthIn } from './length';

test('a foot is 0.3048 m, there and back', () => {
  expect(lengthFrom(25, 'ft')).toBeCloseTo(7.62, 12);
  expect(lengthIn(lengthFrom(25, 'ft'), 'ft')).toBeCloseTo(25, 12);
  expect(lengthFrom(3, 'm')).toBe(3);
});

test('no line is shorter than nothing', () => {
  expect(() => lengthFrom(-1, 'ft')).toThrow(OutOfRange);
});
