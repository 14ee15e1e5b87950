import { amountOf, priceAt, type Price } from './price';

const price = (from: string, perKg: number, more: Partial<Price> = {}): Price => ({
  refrigerant: 'R-410A',
  kind: 'buy',
  perKg,
  currency: 'USD',
  from,
  ...more,
});
const some = [price('2026-01-01', 20), price('2026-06-01', 25), price('2026-06-01', 4, { kind: 'credit' }), price('2027-01-01', 40)];

test.each([
  ['2025-12-31', undefined],
  ['2026-01-01', 20],
  ['2026-05-31', 20],
  ['2026-06-01', 25],
  ['2026-12-31', 25],
  ['2027-02-01', 40],
])('on %s a kilogram costs %s', (day, perKg) => {
  expect(priceAt(some, 'R-410A', 'buy', day)?.perKg).toBe(perKg);
});

test('what is bought and what is credited are two prices, and another refrigerant has its own', () => {
  expect(priceAt(some, 'R-410A', 'credit', '2026-11-25')?.perKg).toBe(4);
  expect(priceAt(some, 'R-32', 'buy', '2026-11-25')).toBeUndefined();
});

test('a correction of the same day counts', () => {
  expect(priceAt([...some, price('2026-06-01', 24)], 'R-410A', 'buy', '2026-11-25')?.perKg).toBe(24);
});

test('an amount is that of its mass, and of no mass that is none', () => {
  expect(amountOf(price('2026-01-01', 20), 2.5)).toBe(50);
  expect(() => amountOf(price('2026-01-01', 20), -1)).toThrow(/mass/);
});
