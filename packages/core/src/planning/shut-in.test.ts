import fc from 'fast-check';
import { pascal } from '../units/quantity';
import { shutIn, WATCHED_MINUTES, type ShutInReading } from './shut-in';

const LEVEL = pascal(101_325);
/** A system that rises by so much in all, with oil of this time constant, read each minute. */
const rising = (from: number, by: number, tau: number, minutes: number): readonly ShutInReading[] =>
  Array.from({ length: minutes + 1 }, (_, minute) => ({ t: 60 * minute, p: from + by * (1 - Math.exp((-60 * minute) / tau)) }));

test.each([
  ['one reading below the level', rising(70_000, 0, 200, 0), 'watching'],
  ['a flat one, too early to tell', rising(70_000, 0, 200, 5), 'watching'],
  ['a flat one, watched for ten minutes', rising(70_000, 0, 200, 10), 'stays'],
  ['a creep of 3 psi that dies away below the level', rising(70_000, 20_000, 150, 12), 'stays'],
  ['a creep that will pass it, seen after three minutes', rising(70_000, 60_000, 250, 3), 'will-pass'],
  ['the same once it has passed', rising(70_000, 60_000, 250, 6), 'passed'],
  ['one that still rises after ten minutes', rising(70_000, 35_000, 600, 10), 'rises'],
  ['above the level from the start', rising(110_000, 0, 200, 0), 'passed'],
] as const)('%s', (_, readings, verdict) => expect(shutIn(readings, LEVEL).verdict).toBe(verdict));

test('where it was recovered again in between, the watch begins anew', () => {
  const again = [...rising(110_000, 0, 200, 3), ...rising(70_000, 0, 200, 9).map(({ t, p }) => ({ t: t + 240, p }))];
  expect(shutIn(again, LEVEL)).toMatchObject({ verdict: 'watching', watchedS: 540 });
  expect(shutIn([...again, { t: 840, p: 70_000 }], LEVEL).verdict).toBe('stays');
});

test('where it comes to rest is told between usual oil and the slowest', () => {
  const { rests } = shutIn(rising(70_000, 20_000, 250, 8), LEVEL);
  expect(rests!.likely).toBeGreaterThan(88_000);
  expect(rests!.likely).toBeLessThan(92_000);
  expect(rests!.most).toBeGreaterThan(rests!.likely);
});

test('a pressure that falls as it cools allows nothing: its rate is none, and its level is that of the last reading', () => {
  const cooling = rising(95_000, -5000, 300, 12);
  expect(shutIn(cooling, LEVEL)).toMatchObject({ rate: 0, verdict: 'stays' });
  expect(shutIn(cooling.slice(0, 5), LEVEL).verdict).toBe('watching');
});

test('nothing stays that was not watched long enough, stands above its level, or that usual oil would still carry above it', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 2e4, max: 1.2e5, noNaN: true }),
      fc.double({ min: -1e4, max: 8e4, noNaN: true }),
      fc.double({ min: 60, max: 700, noNaN: true }),
      fc.integer({ min: 0, max: 30 }),
      (from, by, tau, minutes) => {
        const readings = rising(from, by, tau, minutes);
        if (shutIn(readings, LEVEL).verdict !== 'stays') return;
        expect(minutes).toBeGreaterThanOrEqual(WATCHED_MINUTES);
        expect(readings.at(-1)!.p).toBeLessThanOrEqual(LEVEL);
        expect(from + by).toBeLessThanOrEqual(LEVEL + 1);
      },
    ),
    { numRuns: 500 },
  );
});
