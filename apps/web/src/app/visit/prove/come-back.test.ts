import { comeBackAt, comeBackText, durationText } from './come-back';

const FRIDAY = new Date(2026, 10, 27, 16, 40);

test('the morning is that of the next day, Monday the next one that comes, never today', () => {
  expect(comeBackAt('watched', FRIDAY)).toBeUndefined();
  expect(comeBackAt('morning', FRIDAY)).toEqual(new Date(2026, 10, 28, 7));
  expect(comeBackAt('monday', FRIDAY)).toEqual(new Date(2026, 10, 30, 7));
  expect(comeBackAt('monday', new Date(2026, 10, 30, 6))).toEqual(new Date(2026, 11, 7, 7));
  expect(comeBackAt('morning', new Date(2026, 11, 31, 23, 59))).toEqual(new Date(2027, 0, 1, 7));
});

test('it is told as a person says it', () => {
  expect(comeBackText(new Date(2026, 10, 30, 7)).replace(/\s/g, ' ')).toBe('Monday 7:00 AM');
  expect([40, 3600, 90 * 60, 61 * 3600, 48 * 3600].map(durationText)).toEqual(['1 min', '1 h 0 min', '1 h 30 min', '2 d 13 h', '2 d']);
});
