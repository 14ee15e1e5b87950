import { sameNumber } from './same-number';

test.each([
  ['C-07', 'c 7', true],
  ['C-07', 'C07', true],
  ['C-07', 'C-70', false],
  ['C-07', 'B-07', false],
  ['C-1-12', 'C-11-2', false],
  ['', '', false],
  ['--', ' ', false],
  ['Ü-007', 'ü7', true],
])('%s and %s may be taken for one: %s', (one, other, alike) => {
  expect(sameNumber(one, other)).toBe(alike);
});
