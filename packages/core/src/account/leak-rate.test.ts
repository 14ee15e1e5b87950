import { leakRate } from './leak-rate';

const DAY = 86_400;

test('a kilogram in half a year is two in a year', () => {
  expect(leakRate(1, 182.625 * DAY)).toBeCloseTo(2, 9);
});

test.each([
  ['nothing was lost', 0, 100],
  ['there was too much', -1, 100],
  ['it was charged yesterday', 1, 1],
])('where %s there is no rate', (_, kg, days) => {
  expect(leakRate(kg, days * DAY)).toBeUndefined();
});
