import fc from 'fast-check';
import { samplesOf, type ReadInTest } from './followed';

const everySecond = (n: number, value: (t: number) => number): ReadInTest[] =>
  Array.from({ length: n }, (_, t) => ({ t, value: value(t) }));

test('a sample every half minute at first, and every sixtieth of the time after half an hour', () => {
  const at = samplesOf([everySecond(8000, () => 1)], -1, 7999, 30).map(({ t }) => t);
  expect(at.slice(0, 3)).toEqual([15, 45, 75]);
  expect(at.at(-1)! - at.at(-2)!).toBeGreaterThan(100);
  expect(at.length).toBeLessThan(170);
});

test('a sample is the median about its moment: one reading that jumps moves nothing', () => {
  const readings = everySecond(40, (t) => (t === 20 ? 900 : 100));
  expect(samplesOf([readings], -1, 40, 30)).toEqual([{ t: 15, values: [100] }]);
});

test('where one of the instruments is silent there is no sample, and those after it are taken', () => {
  const pressure = everySecond(300, () => 400);
  const clamp = everySecond(300, () => 293).filter(({ t }) => t < 60 || t > 180);
  const at = samplesOf([pressure, clamp], -1, 300, 30).map(({ t }) => t);
  expect(at).toContain(15);
  expect(at.filter((t) => t > 76 && t < 165)).toEqual([]);
  expect(at).toContain(255);
});

test('whoever goes on from a sample takes the same moments as whoever took all of them at once', () => {
  const anyReadings = fc
    .array(fc.record({ t: fc.double({ min: 0, max: 20_000, noNaN: true }), value: fc.double({ min: 0, max: 1e6, noNaN: true }) }), {
      minLength: 1,
      maxLength: 400,
    })
    .map((those) => those.sort((a, b) => a.t - b.t));
  fc.assert(
    fc.property(anyReadings, fc.integer({ min: 5, max: 60 }), fc.double({ min: 0, max: 1, noNaN: true }), (readings, least, share) => {
      const all = samplesOf([readings], -1, 20_000, least);
      fc.pre(all.length > 1);
      const taken = Math.max(1, Math.floor(share * all.length));
      const rest = samplesOf([readings], all[taken - 1]!.t, 20_000, least);
      expect(rest.map(({ values }) => values)).toEqual(all.slice(taken).map(({ values }) => values));
      for (const { values } of all) expect(readings.some(({ value }) => value <= values[0]!)).toBe(true);
    }),
    { numRuns: 200 },
  );
});
