import fc from 'fast-check';
import type { Loadable } from '../ui/loadable';
import { startGate } from './start-gate';

const answers: readonly Loadable<number>[] = [
  { state: 'ready', value: 1 },
  { state: 'ready', value: 1, stale: true },
  { state: 'waiting' },
  { state: 'failed', sentence: 'The core did not answer.' },
];
const [current, , waiting, failed] = answers as [Loadable<number>, Loadable<number>, Loadable<number>, Loadable<number>];
const some = fc.array(fc.constantFrom(...answers), { minLength: 1, maxLength: 5 });

test('only where every rule is answered for exactly what stands on the page it may start', () => {
  fc.assert(
    fc.property(some, (rules) => {
      expect(startGate(rules).state === 'judged').toBe(rules.every((rule) => rule === current));
    }),
  );
});

test('knowing less never opens it', () => {
  fc.assert(
    fc.property(some, fc.nat(), fc.constantFrom(...answers.slice(1)), (rules, at, less) => {
      const before = startGate(rules);
      const after = startGate(rules.map((rule, k) => (k === at % rules.length ? less : rule)));
      expect(after.state).not.toBe('judged');
      if (before.state === 'unjudged' && rules[at % rules.length] !== failed) expect(after.state).toBe('unjudged');
    }),
  );
});

test('a rule that failed is named before one that is on its way', () => {
  expect(startGate([waiting, failed])).toEqual({ state: 'unjudged', sentence: 'The core did not answer.' });
});
