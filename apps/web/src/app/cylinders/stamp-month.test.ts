import { readStamp } from './stamp-month';

test.each([
  ['11-21', '2021-11'],
  ['3/2024', '2024-03'],
  [' 08 26 ', '2026-08'],
  ['8-98', '1998-08'],
])('the stamp %j is %s', (text, month) => {
  expect(readStamp(text, '2026-11-27')).toEqual({ state: 'good', month });
});

test('a month that is still to come is asked back, the one that runs is not', () => {
  expect(readStamp('11-26', '2026-11-30')).toEqual({ state: 'good', month: '2026-11' });
  expect(readStamp('12-26', '2026-11-30')).toEqual({
    state: 'bad',
    sentence: 'The stamp 12-26 is in the future. Read month and year again.',
  });
});

test.each([
  ['21-11', /no month 21/],
  ['November', /such as 11-21/],
  ['2021-11', /such as 11-21/],
])('%j is asked back', (text, sentence) => {
  expect(readStamp(text)).toEqual({ state: 'bad', sentence: expect.stringMatching(sentence) });
});

test('nothing typed is empty, not wrong', () => {
  expect(readStamp('  ')).toEqual({ state: 'empty' });
});
