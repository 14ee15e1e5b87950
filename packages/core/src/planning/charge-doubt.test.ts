import { CHARGE_DOUBT, withDoubt } from './charge-doubt';

test('a charge that nobody has weighed lies about the likely one', () => {
  const { low, likely, high } = withDoubt(8);
  expect(likely).toBe(8);
  expect(high - likely).toBeCloseTo(likely - low, 12);
  expect((high - likely) / likely).toBeCloseTo(CHARGE_DOUBT, 12);
});

test('nothing stays nothing', () => {
  expect(withDoubt(0)).toEqual({ low: 0, likely: 0, high: 0 });
});
