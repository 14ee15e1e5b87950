import { Unreadable } from '../errors';
import { readNumber } from './read-number';

test.each([
  ['24.6', 24.6],
  ['24,6', 24.6],
  [' 1 250 ', 1250],
  ['.5', 0.5],
  ['-40', -40],
  ['−40', -40],
])('reads %j as %d', (text, value) => {
  expect(readNumber(text)).toBe(value);
});

test.each([
  ['', /Type a number/],
  ['1,234.5', /more than one decimal mark/],
  ['5 lb', /not a number/],
  ['1e3', /not a number/],
  ['NaN', /not a number/],
])('refuses %j and says what to type', (text, sentence) => {
  expect(() => readNumber(text)).toThrow(Unreadable);
  expect(() => readNumber(text)).toThrow(sentence);
});
