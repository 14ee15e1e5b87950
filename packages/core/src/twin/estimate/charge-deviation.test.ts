import { chargeDeviation } from './charge-deviation';

test('a range of nine in ten covers what it says', () => {
  const sd = chargeDeviation(2, 4);
  // 1.645 deviations to each side of the middle of the logarithms (any table of the normal distribution)
  expect(Math.exp(Math.log(Math.sqrt(8)) + 1.645 * sd)).toBeCloseTo(4, 9);
});

test('no range is no knowledge', () => {
  expect(chargeDeviation(0, 4)).toBe(chargeDeviation(3, 3));
  expect(chargeDeviation(3, 3)).toBe(0.12);
});

test('neither certainty nor nonsense', () => {
  expect(chargeDeviation(3, 3.001)).toBe(0.05);
  expect(chargeDeviation(0.001, 1000)).toBe(1);
});
