import { readingDoubts } from '@hygromet/core/instruments/doubts';
import type { Outlook } from '@hygromet/core/twin/estimate/outlook';
import { suspects } from '@hygromet/core/twin/estimate/suspects';
import { besideText, doubtText, durationText, endText, fromNow, suspectSays, suspectText, twentyText } from './live-labels';

const units = {
  decimal: (value: number, decimals: number) => value.toFixed(decimals),
  massText: (kg: number) => `${kg.toFixed(1)} kg`,
  pressure: (p: number) => `${Math.round((p - 101_325) / 6894.757)} psig`,
};
const range = (likely: number, low = likely, high = likely) => ({ likely, low, high });
const ending = (reason: Outlook['end']['reason']) =>
  ({ end: { reason, t: range(900, 780, 1080), grossKg: range(16.4), leftKg: range(0.1) } }) as Outlook; // what is read of it

test.each([
  [0, '0 s'],
  [42, '40 s'],
  [89, '90 s'],
  [90, '2 min'],
  [610, '10 min'],
])('%d seconds are %s', (seconds, text) => expect(durationText(seconds, units)).toBe(text));

describe('from now on', () => {
  test('a range stands beside its middle', () => expect(fromNow(range(900, 780, 1080), 420, units)).toBe('8 min (6 to 11)'));
  test('a range that is no wider than its digits is left away', () => expect(fromNow(range(900, 890, 910), 300, units)).toBe('10 min'));
  test('what may not come at all says so', () =>
    expect(fromNow(range(600, 480, Number.POSITIVE_INFINITY), 300, units)).toBe('5 min (from 3, or not at all)'));
  test('seconds have their range in its own units: never 0 to 2 of something else', () =>
    expect(fromNow(range(310, 295, 420), 300, units)).toBe('10 s (0 s to 2 min)'));
  test('nothing is foretold for the past', () => expect(fromNow(range(200, 100, 260), 300, units)).toBe('0 s'));
});

test.each([
  ['stop-weight', 'about 8 min (6 to 11) to the stop'],
  ['reached', 'done in about 8 min (6 to 11), 16.4 kg gross then'],
  ['stalled', 'comes to a standstill in about 8 min (6 to 11)'],
  ['cylinder-full', 'the cylinder is liquid-full in about 8 min (6 to 11)'],
  ['time', 'no end in sight like this'],
] as const)('an end by %s', (reason, text) => expect(endText(ending(reason), 420, units)).toBe(text));

test('20 psig is promised while it is to come, and not after', () => {
  expect(twentyText({ below20psig: range(720, 660, 780) }, 420, units)).toBe('20 psig in about 5 min (4 to 6)');
  expect(twentyText({ below20psig: range(400) }, 420, units)).toBeUndefined();
  expect(twentyText({ below20psig: undefined }, 420, units)).toBeUndefined();
});

test('every doubt and every suspect says what to look at, each in its own words', () => {
  const sentences = [...readingDoubts.map((doubt) => doubtText('head', doubt)), ...suspects.map((suspect) => suspectText[suspect])];
  for (const sentence of sentences) expect(sentence).toMatch(/^[A-Z].+\.$/s);
  expect(new Set(sentences).size).toBe(sentences.length);
});

test('another refrigerant is named by what it reads like, where that is known', () => {
  expect(suspectSays('another-refrigerant', 'R-22')).toContain('reads like R-22, another refrigerant than the record says');
  expect(suspectSays('another-refrigerant', undefined)).toBe(suspectText['another-refrigerant']);
  expect(suspectSays('air', 'R-22')).toBe(suspectText.air);
  expect(suspectSays('does-not-fit', undefined, ['headPa'])).toMatch(/^The head no longer fits/);
  expect(suspectSays('does-not-fit', undefined, ['headPa', 'grossKg'])).toBe(suspectText['does-not-fit']);
});

test('readings stand to the twin with their sign, each in its unit', () => {
  const shown = { massText: (kg: number) => `${kg.toFixed(2)} kg`, pressureStep: (p: number) => `${Math.round(p / 6894.757)} psi` };
  expect(besideText({ grossKg: { latest: 0.12, sigmas: 1 }, headPa: { latest: -21_000, sigmas: 0.4 } }, shown)).toBe(
    'scale +0.12 kg, head -3 psi',
  );
  expect(besideText({}, shown)).toBe('');
});
