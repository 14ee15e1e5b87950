import { refrigerant } from '../fluids/refrigerant';
import { leak } from '../thermo/leak';
import { cubicMetre, kilogram } from '../units/quantity';
import { celsius } from '../units/temperature';
import { refrigerantTests } from './refrigerant-tests';
import { refrigerantPasts, reuseOf, type ReuseTask } from './reuse-verdict';

const clean = { acid: 'pass', moisture: 'pass', oil: 'not-tested', 'non-condensables': 'not-tested' } as const;
const task = (id: string, more: Partial<ReuseTask> = {}): ReuseTask => ({
  designation: id,
  composition: refrigerant(id).composition,
  beforeKg: 5,
  volumeM3: 0.012,
  T: celsius(25),
  lost: 0.4,
  phase: 'vapour',
  tests: clean,
  past: 'usual',
  school: 'composition',
  ...more,
});
const back = (reuseTask: ReuseTask) => reuseOf(reuseTask).verdicts.find(({ way }) => way === 'same-system')!;

test('R-407C that leaked 40 % as vapor does not go back, and is what the leak makes of it', () => {
  const reuse = reuseOf(task('R-407C'));
  const [state] = leak(refrigerant('R-407C').composition, cubicMetre(0.012), kilogram(5), celsius(25), 'vapour', [0.4]);
  expect(reuse.composition).toEqual(state!.left);
  expect(back(task('R-407C'))).toMatchObject({ feasibility: 'no', reasons: ['beyond-tolerance'] });
  expect(reuse.verdicts.find(({ way }) => way === 'reclaim')?.feasibility).toBe('possible');
});

test('as liquid it hardly shifts; where nobody knows, the worse of both counts', () => {
  expect(back(task('R-407C', { phase: 'liquid' })).feasibility).toBe('possible');
  expect(reuseOf(task('R-407C', { phase: 'unknown' })).composition).toEqual(reuseOf(task('R-407C')).composition);
});

test('a near-azeotrope and a single substance go back whatever leaked', () => {
  expect(back(task('R-404A', { lost: 0.3 })).feasibility).toBe('possible');
  expect(back(task('R-134a', { lost: 0.8 })).feasibility).toBe('possible');
});

test('the schools differ where practitioners do', () => {
  expect(back(task('R-407C', { school: 'always' })).feasibility).toBe('possible');
  expect(back(task('R-404A', { school: 'nameplate-share' }))).toMatchObject({ feasibility: 'no', reasons: ['much-lost'] });
  expect(back(task('R-407C', { school: 'nameplate-share', lost: 0.1 })).feasibility).toBe('possible');
});

test.each([
  [{ tests: { ...clean, acid: 'fail' } }, 'no', 'acid'],
  [{ tests: { ...clean, moisture: 'fail' } }, 'no', 'moisture'],
  [{ tests: { ...clean, oil: 'fail' } }, 'no', 'oil'],
  [{ tests: { ...clean, 'non-condensables': 'fail' } }, 'no', 'air'],
  [{ airShare: 0.03 }, 'no', 'air'],
  [{ tests: { ...clean, acid: 'not-tested' } }, 'not-advised', 'not-tested'],
  [{ tests: { ...clean, moisture: 'not-tested' } }, 'not-advised', 'not-tested'],
  [{ tests: { ...clean, moisture: 'test-again' } }, 'not-advised', 'test-again'],
  [{ tests: { ...clean, acid: 'not-tested' }, past: 'burn-out' }, 'no', 'untested-past'],
  [{ tests: { ...clean, acid: 'test-again' }, past: 'burn-out' }, 'no', 'untested-past'],
  [{ tests: { ...clean, moisture: 'not-tested' }, past: 'open' }, 'no', 'untested-past'],
  [{ past: 'burn-out' }, 'possible', 'within-tolerance'],
  [{ past: 'unknown' }, 'possible', 'within-tolerance'],
  [{ tests: { ...clean, acid: 'not-tested' }, past: 'unknown' }, 'no', 'untested-past'],
  [{ tests: { ...clean, moisture: 'test-again' }, past: 'unknown' }, 'no', 'untested-past'],
] as const)('%j: %s', (more, feasibility, reason) => {
  const verdict = back(task('R-134a', more));
  expect([verdict.feasibility, verdict.reasons]).toEqual([feasibility, expect.arrayContaining([reason])]);
});

// 40 CFR 82.154(d), from memory: used refrigerant changes hands only reclaimed.
test('whatever was tested, it changes hands only by way of the reclaimer', () => {
  expect(reuseOf(task('R-134a')).verdicts.find(({ way }) => way === 'another-owner')).toEqual({
    way: 'another-owner',
    feasibility: 'no',
    reasons: ['another-owner'],
  });
});

test('a past that nobody knows opens no way that any past would shut', () => {
  const rank = { no: 0, 'not-advised': 1, possible: 2 } as const;
  const findings = ['pass', 'fail', 'test-again', 'not-tested'] as const;
  for (const acid of findings)
    for (const moisture of findings) {
      const of = (past: ReuseTask['past']) => rank[back(task('R-134a', { past, tests: { ...clean, acid, moisture } })).feasibility];
      for (const past of refrigerantPasts) expect([acid, moisture, past, of('unknown') <= of(past)]).toEqual([acid, moisture, past, true]);
    }
});

test('less that is known never makes a way more open', () => {
  const rank = { no: 0, 'not-advised': 1, possible: 2 } as const;
  for (const past of refrigerantPasts)
    for (const test of refrigerantTests)
      for (const finding of ['pass', 'fail', 'test-again'] as const) {
        const known = back(task('R-134a', { past, tests: { ...clean, [test]: finding } })).feasibility;
        const unknown = back(task('R-134a', { past, tests: { ...clean, [test]: 'not-tested' } })).feasibility;
        if (finding === 'pass') expect([past, test, rank[unknown] <= rank[known]]).toEqual([past, test, true]);
      }
});
