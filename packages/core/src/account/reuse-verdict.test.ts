import { refrigerant } from '../fluids/refrigerant';
import { leak } from '../thermo/leak';
import { cubicMetre, kilogram } from '../units/quantity';
import { celsius } from '../units/temperature';
import { reuseOf, type ReuseTask } from './reuse-verdict';

const task = (id: string, more: Partial<ReuseTask> = {}): ReuseTask => ({
  designation: id,
  composition: refrigerant(id).composition,
  beforeKg: 5,
  volumeM3: 0.012,
  T: celsius(25),
  lost: 0.4,
  phase: 'vapour',
  acid: 'none',
  moisture: 'pass',
  school: 'composition',
  ...more,
});
const back = (own: ReuseTask) => reuseOf(own).verdicts.find(({ way }) => way === 'same-system')!;

test('R-407C that leaked 40 % as vapor does not go back, and is what the leak makes of it', () => {
  const own = reuseOf(task('R-407C'));
  const [state] = leak(refrigerant('R-407C').composition, cubicMetre(0.012), kilogram(5), celsius(25), 'vapour', [0.4]);
  expect(own.composition).toEqual(state!.left);
  expect(back(task('R-407C'))).toMatchObject({ standing: 'no', reasons: ['beyond-tolerance'] });
  expect(own.verdicts.find(({ way }) => way === 'reclaim')?.standing).toBe('possible');
});

test('as liquid it hardly shifts; where nobody knows, the worse of both counts', () => {
  expect(back(task('R-407C', { phase: 'liquid' })).standing).toBe('possible');
  expect(reuseOf(task('R-407C', { phase: 'unknown' })).composition).toEqual(reuseOf(task('R-407C')).composition);
});

test('a near-azeotrope and a single substance go back whatever leaked', () => {
  expect(back(task('R-404A', { lost: 0.3 })).standing).toBe('possible');
  expect(back(task('R-134a', { lost: 0.8 })).standing).toBe('possible');
});

test('the schools differ where practitioners do', () => {
  expect(back(task('R-407C', { school: 'always' })).standing).toBe('possible');
  expect(back(task('R-404A', { school: 'nameplate-share' }))).toMatchObject({ standing: 'no', reasons: ['much-lost'] });
  expect(back(task('R-407C', { school: 'nameplate-share', lost: 0.1 })).standing).toBe('possible');
});

test.each([
  [{ acid: 'acid' }, 'no', 'acid'],
  [{ moisture: 'fail' }, 'no', 'moisture'],
  [{ airShare: 0.03 }, 'no', 'air'],
  [{ acid: 'not-tested' }, 'not-advised', 'not-tested'],
  [{ moisture: 'not-tested' }, 'not-advised', 'not-tested'],
] as const)('%j: %s', (more, standing, reason) => {
  const verdict = back(task('R-134a', more));
  expect([verdict.standing, verdict.reasons]).toEqual([standing, expect.arrayContaining([reason])]);
});
