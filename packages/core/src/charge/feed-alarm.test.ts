import fc from 'fast-check';
import { LEAD_S } from '../twin/alarm/stop-alarm';
import { feedAlarm } from './feed-alarm';
import { feedingRules } from './feeding';

const feed = fc.record({
  leftKg: fc.double({ min: 0, max: 30, noNaN: true }),
  fedKg: fc.double({ min: 0, max: 40, noNaN: true }),
  rateKgPerS: fc.double({ min: -0.05, max: 0.2, noNaN: true }),
});

test('it calls before the target, whatever the rate: what passes until the valve is shut and what the hose holds do not go beyond', () => {
  fc.assert(
    fc.property(feed, (question) => {
      const { closeAtKg } = feedAlarm(question);
      const rest = closeAtKg + Math.max(0, question.rateKgPerS) * LEAD_S + feedingRules.shutByHandKg;
      expect(rest).toBeLessThanOrEqual(question.leftKg + 1e-9);
    }),
  );
});

test('at or beyond its call it is never quiet, and beyond the charge it says so', () => {
  fc.assert(
    fc.property(feed, (question) => {
      const { stage, closeAtKg } = feedAlarm(question);
      if (question.fedKg > question.leftKg) expect(stage).toBe('over');
      else if (question.fedKg >= closeAtKg) expect(stage).toBe('now');
      else expect(['quiet', 'soon']).toContain(stage);
    }),
  );
});

test('more in the system, or a faster flow, never makes it call later', () => {
  const rank = { quiet: 0, soon: 1, now: 2, over: 3 };
  fc.assert(
    fc.property(
      feed,
      fc.double({ min: 0, max: 5, noNaN: true }),
      fc.double({ min: 0, max: 0.1, noNaN: true }),
      (question, more, faster) => {
        const before = rank[feedAlarm(question).stage];
        expect(rank[feedAlarm({ ...question, fedKg: question.fedKg + more }).stage]).toBeGreaterThanOrEqual(before);
        expect(feedAlarm({ ...question, rateKgPerS: question.rateKgPerS + faster }).closeAtKg).toBeLessThanOrEqual(
          feedAlarm(question).closeAtKg + 1e-12,
        );
      },
    ),
  );
});

test('a minute before, it says that it comes', () => {
  // 2 kg to go in at 10 g/s: 1.5 kg are fed, some 34 s are left
  const { stage, secondsLeft } = feedAlarm({ leftKg: 2, fedKg: 1.5, rateKgPerS: 0.01 });
  expect(stage).toBe('soon');
  expect(secondsLeft).toBeCloseTo((2 - 0.1 - 6 * 0.01 - 1.5) / 0.01, 6);
});
