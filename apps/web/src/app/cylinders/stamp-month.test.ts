import { readStamp } from './stamp-month';

test.each([
  ['11-21', '2021-11'],
  ['3/2024', '2024-03'],
  [' 08 26 ', '2026-08'],
])('the stamp %j is %s', (text, month) => {
  expect(readStamp(text)).toEqual({ state: 'good', month });
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
