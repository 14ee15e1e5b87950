import { dayOf, dayWords } from './day';

test('a day is counted as the device counts it', () => {
  expect(dayOf(new Date(2026, 0, 5, 23, 59))).toBe('2026-01-05');
});

test.each([
  ['2026-11-26', 'today'],
  ['2026-11-27', 'tomorrow'],
  ['2026-11-29', 'Sun, Nov 29'],
  ['2026-11-20', 'Fri, Nov 20'],
  ['2027-01-04', 'Mon, Jan 4, 2027'],
])('%s is called “%s” on 26 November', (day, words) => {
  expect(dayWords(day, '2026-11-26')).toBe(words);
});
