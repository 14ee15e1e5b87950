import pairs from './pairs.json';
import { departureOf, isEstimated, pairOf } from './pair';
import sources from './sources.json';
import { findSubstance } from './substance';

const substance = (id: string) => findSubstance(id)!;

test('both betas invert when the order is swapped', () => {
  const straight = pairOf(substance('R-744'), substance('R-718'));
  const swapped = pairOf(substance('R-718'), substance('R-744'));
  expect(swapped.betaT * straight.betaT).toBeCloseTo(1, 12);
  expect([swapped.gammaT, swapped.departure]).toEqual([straight.gammaT, straight.departure]);
});

test('every pair names known substances, and a source unless it says how it was estimated', () => {
  const published = new Set(sources.map(({ key }) => key));
  for (const { i, j } of pairs) {
    const pair = pairOf(substance(i), substance(j));
    expect([i, j, isEstimated(pair) || published.has(pair.source!)]).toEqual([i, j, true]);
    expect(pair.departure === undefined || departureOf(pair) !== undefined).toBe(true);
  }
});

test('a pair that nobody published follows the linear rule and says so', () => {
  const pair = pairOf(substance('R-12'), substance('R-1234yf'));
  expect(isEstimated(pair)).toBe(true);
  // the rule makes T_red the arithmetic mean at equal amounts
  const [a, b] = [substance('R-12').reducing.T, substance('R-1234yf').reducing.T];
  expect(pair.gammaT * Math.sqrt(a * b)).toBeCloseTo((a + b) / 2, 9);
});
