import { massFrom } from '../units/mass';
import { readingDoubt } from './reading-doubt';

/** A cylinder of 17.2 lb that holds 22 lb. */
const expected = { tareKg: massFrom(17.2, 'lb'), grossKg: massFrom(39.2, 'lb') };
const lb = (pounds: number) => massFrom(pounds, 'lb');

test.each([
  ['as the ledger says', lb(39.2), undefined],
  ['a leak of 3 lb', lb(36.2), undefined],
  ['emptied to the last gram', lb(17.2), undefined],
  ['a collar and a scale that differ by an ounce', lb(17.15), undefined],
  ['below the tare', lb(12), 'below-tare'],
  ['the net weight, though it is above the tare', lb(22), 'net-for-gross'],
  ['17.8 typed as pounds while the scale showed kilograms', lb(17.78), 'kilograms-for-pounds'],
  ['50 lb more than the ledger says', lb(89.2), 'jump'],
] as const)('%s', (_, readKg, doubt) => expect(readingDoubt(readKg, expected)).toBe(doubt));

test('the net weight of a light content is told from a reading that is merely too low', () => {
  const light = { tareKg: lb(17.2), grossKg: lb(23.2) };
  expect(readingDoubt(lb(6), light)).toBe('net-for-gross');
  expect(readingDoubt(lb(3), light)).toBe('below-tare');
});

test('a reading in the other unit is recognised from both sides', () => {
  const light = { tareKg: lb(17.2), grossKg: lb(23.2) };
  expect(readingDoubt(lb(23.2 * 0.45359237), light)).toBe('kilograms-for-pounds');
  // 60 lb, typed as 60 kg
  const heavy = { tareKg: lb(30), grossKg: lb(60) };
  expect(readingDoubt(60, heavy)).toBe('pounds-for-kilograms');
});

test('an empty cylinder weighs its tare: no net weight is seen in that', () => {
  const empty = { tareKg: 8, grossKg: 8 };
  expect(readingDoubt(8, empty)).toBeUndefined();
  expect(readingDoubt(0.05, empty)).toBe('below-tare');
});
