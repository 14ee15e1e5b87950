import fc from 'fast-check';
import { beforeLeaving, hottestMustBeSaid, leavingSteps } from './long-hold';
import { leftByHolds, riseLeftBy } from './vacuum-after-hold';

const states = (facts: Partial<Parameters<typeof beforeLeaving>[0]>) =>
  Object.fromEntries(
    beforeLeaving({ waitedS: 0, clamp: false, readings: 0, followed: false, ...facts }).map(({ step, state }) => [step, state]),
  );

test('what no record can show stays for a person to see to', () => {
  expect(states({ waitedS: 3600, clamp: true, readings: 9, followed: true })).toEqual({
    settled: 'done',
    clamp: 'done',
    shade: 'by-hand',
    'regulator-off': 'by-hand',
    tag: 'by-hand',
    readings: 'done',
  });
});

test('the heat of filling, the clamp and the first readings are told from the record', () => {
  expect(states({})).toMatchObject({ settled: 'to-do', clamp: 'to-do', readings: 'to-do' });
  expect(states({ waitedS: 1799 })['settled']).toBe('to-do');
  expect(states({ waitedS: 1800 })['settled']).toBe('done');
  expect(states({ readings: 3 })['readings']).toBe('to-do');
  expect(states({ readings: 4 })['readings']).toBe('done');
  expect(states({ followed: true })['readings']).toBe('done');
  expect(Object.keys(states({}))).toEqual([...leavingSteps]);
});

test('how hot it gets is asked for whatever lasts into another part of the day', () => {
  expect(hottestMustBeSaid(3600)).toBe(false);
  expect(hottestMustBeSaid(14 * 3600)).toBe(true);
});

// from the prototype of the proof: a weekend hold to 0.0072 % an hour excludes leaks above 0.9 micron a minute through a hole
test('a weekend hold leaves a vacuum 0.9 micron a minute', () => {
  expect(riseLeftBy(7.2e-5)).toBeCloseTo(0.91, 2);
});

test('only a hold that has shown it counts, and none that was before a place was opened', () => {
  const held = { at: 100, verdict: 'tight', tightTo: 0.0005 };
  expect(leftByHolds([], [])).toBeUndefined();
  expect(leftByHolds([{ ...held, verdict: 'cannot-tell' }], [])).toBeUndefined();
  expect(leftByHolds([held], [150])).toBeUndefined();
  expect(leftByHolds([held], [50])).toBeCloseTo(riseLeftBy(0.0005), 9);
  expect(leftByHolds([held, { ...held, at: 120, tightTo: 0.002 }], [])).toBeCloseTo(riseLeftBy(0.0005), 9);
});

test('another opening never leaves less', () => {
  const anyHold = fc.record({
    at: fc.integer({ min: 0, max: 1000 }),
    verdict: fc.constantFrom('tight', 'leaking', 'cannot-tell'),
    tightTo: fc.double({ min: 1e-5, max: 0.1, noNaN: true }),
  });
  fc.assert(
    fc.property(
      fc.array(anyHold),
      fc.array(fc.integer({ min: 0, max: 1000 })),
      fc.integer({ min: 0, max: 1000 }),
      (holds, opened, more) => {
        const [before, after] = [leftByHolds(holds, opened), leftByHolds(holds, [...opened, more])];
        expect(after ?? Number.POSITIVE_INFINITY).toBeGreaterThanOrEqual(before ?? Number.POSITIVE_INFINITY);
      },
    ),
  );
});
