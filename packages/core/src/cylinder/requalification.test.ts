import { requalificationState, validThrough } from './requalification';

// 49 CFR 180.209 (from memory): five years from the stamped month.
test.each([
  [{ year: 2021, month: 11 }, 'due-soon'],
  [{ year: 2021, month: 10 }, 'overdue'],
  [{ year: 2022, month: 1 }, 'due-soon'],
  [{ year: 2022, month: 2 }, 'valid'],
  [{ year: 2026, month: 11 }, 'valid'],
])('a stamp of %j is %s in November 2026', (stamp, state) => {
  expect(requalificationState(stamp, { year: 2026, month: 11 })).toBe(state);
});

test('a stamp of 11-21 is valid through 11-26', () => {
  expect(validThrough({ year: 2021, month: 11 })).toEqual({ year: 2026, month: 11 });
});
