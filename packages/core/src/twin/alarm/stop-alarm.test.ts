import fc from 'fast-check';
import { flowRate } from './flow-rate';
import { LEAD_S, stopAlarm } from './stop-alarm';

const question = fc.record({
  stopKg: fc.double({ min: 5, max: 100, noNaN: true }),
  grossKg: fc.double({ min: 0, max: 120, noNaN: true }),
  rateKgPerS: fc.double({ min: -0.1, max: 0.5, noNaN: true }),
  machine: fc.boolean(),
});

test('nobody is told to shut the valve later than the stop, whatever the rate', () => {
  fc.assert(fc.property(question, (entry) => expect(stopAlarm(entry).closeAtKg).toBeLessThanOrEqual(entry.stopKg)));
});

test('the faster it flows the earlier it calls', () => {
  fc.assert(
    fc.property(question, fc.double({ min: 0, max: 0.5, noNaN: true }), (entry, more) => {
      const [slow, fast] = [stopAlarm(entry), stopAlarm({ ...entry, rateKgPerS: Math.max(0, entry.rateKgPerS) + more })];
      expect(fast.closeAtKg).toBeLessThanOrEqual(slow.closeAtKg);
      const order = ['quiet', 'soon', 'now', 'over'];
      if (more > 0) expect(order.indexOf(fast.stage)).toBeGreaterThanOrEqual(order.indexOf(slow.stage));
    }),
  );
});

test('above the stop it always calls, and never before there is reason to', () => {
  fc.assert(
    fc.property(question, (entry) => {
      const { stage } = stopAlarm(entry);
      expect(stage === 'over').toBe(entry.grossKg > entry.stopKg);
      if (entry.grossKg < entry.stopKg - Math.max(0, entry.rateKgPerS) * 120 - 1) expect(stage).toBe('quiet');
    }),
  );
});

// A valve that is shut as late as a person, the valve and the scale need: what the scale shows then is not above the stop.
test.each([0, 0.01, 0.05, 0.16])('at %d kg/s the scale comes to rest at the stop or below', (rate) => {
  const stopKg = 17;
  for (let gross = 12; ; gross += rate * 0.5 + 1e-4) {
    if (stopAlarm({ stopKg, grossKg: gross, rateKgPerS: rate, machine: true }).stage !== 'now') continue;
    expect(gross + rate * (LEAD_S - 0.5)).toBeLessThanOrEqual(stopKg);
    return;
  }
});

describe('the rate of a scale', () => {
  const t = Array.from({ length: 40 }, (_, k) => k * 0.5);

  test('is its slope over the last seconds', () => {
    const rate = flowRate({ t, value: t.map((s) => (s < 10 ? 12 : 12 + 0.02 * (s - 10))) }, 8);
    expect(rate?.kgPerS).toBeCloseTo(0.02, 6);
    expect(rate?.sd).toBeLessThan(1e-6);
  });

  test('nobody can tell it from too little', () => {
    expect(flowRate({ t: [0, 1], value: [1, 2] }, 10)).toBeUndefined();
    expect(flowRate({ t: [], value: [] }, 10)).toBeUndefined();
    expect(flowRate({ t: [1, 1, 1, 1, 1], value: [1, 2, 3, 4, 5] }, 10)).toBeUndefined();
  });
});
