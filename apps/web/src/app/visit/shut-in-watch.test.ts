import type { VisitTest } from '@hygromet/contract/visit-test';
import { aSystem } from '../../../test/scene';
import { open, plan, SEEN } from '../../../test/visit-scene';
import { lastWatched, shutInReadings } from './shut-in-readings';
import { of } from 'rxjs';

const LEVEL = 101_325;
const BEGUN = Date.parse('2026-11-26T10:00:00.000Z');
const at = (minute: number) => new Date(BEGUN + 60_000 * minute).toISOString();
const watch = (pressures: readonly number[], more: Partial<VisitTest> = {}): VisitTest => ({
  id: 't1',
  setUp: { test: 'shut-in', levelPa: LEVEL },
  begunAt: at(0),
  begunBy: 'Ines Marrow',
  readings: pressures.map((shutInPa, minute) => ({ at: at(minute), by: 'Ines Marrow', reading: { shutInPa } })),
  followed: null,
  ended: null,
  ...more,
});
const recovered = { look: SEEN, plan, recovered: { bookings: 1, massKg: 4 } };
const openTransfer = (tests: readonly VisitTest[] = []) =>
  open('transfer', { ...recovered, tests: [...tests] }, { system$: () => of(aSystem({ contentKg: 4.98 })) });

test('before anything was recovered nothing is watched', async () => {
  const { text } = await open('transfer', { look: SEEN, plan });
  expect(text()).not.toContain('Shut in and watch');
});

test('after a recovery it is shut in at the level of the look, and each reading is added', async () => {
  const { press, sent, text } = await openTransfer();
  expect(text()).toContain('the pressure creeps up. Watched for 10 minutes it has to stay at or below');
  await press('It is shut in');
  expect(sent[0]).toMatchObject({ kind: 'test-begun', setUp: { test: 'shut-in', levelPa: expect.any(Number) } });
});

test('what stands above the level is told at once, and the watch can be ended as that', async () => {
  const { type, press, sent, text } = await openTransfer([watch([])]);
  expect(text()).toContain('Read it now');
  await type('Pressure, shut in', '6');
  await press('Add reading');
  expect(sent[0]).toMatchObject({ kind: 'test-read', testId: 't1', reading: { shutInPa: expect.closeTo(LEVEL + 41_368, -3) } });
  expect(text()).toMatch(/It stands at 6 psig, above the level of 0 psig: recover again/);
  await press('End the watch');
  expect(sent[1]).toMatchObject({ kind: 'test-ended', finding: { verdict: 'passed' } });
});

const creep = Array.from({ length: 12 }, (_, minute) => 70_000 + 12_000 * (1 - Math.exp(-minute / 3)));

test('one that stays for ten minutes is told with where it comes to rest', async () => {
  const { press, sent, text } = await openTransfer([watch(creep)]);
  expect(text()).toMatch(/Stayed at or below 0 psig for 11 minutes\. It comes to rest at/);
  await press('End the watch');
  expect(sent[0]).toMatchObject({ kind: 'test-ended', finding: { verdict: 'stays' } });
});

test('what it showed last is the end of the account', async () => {
  const account = await open('account', { ...recovered, tests: [watch(creep)] });
  expect(account.text()).toMatch(/of the shut-in system: .* as it was watched/);
});

test('readings are in the order of their time, however they came; the last of the last watch counts', () => {
  const mixed = watch([3, 1, 2]);
  const turned = { ...mixed, readings: [mixed.readings[2]!, mixed.readings[0]!, mixed.readings[1]!] };
  expect(shutInReadings(turned)).toEqual([
    { t: 0, p: 3 },
    { t: 60, p: 1 },
    { t: 120, p: 2 },
  ]);
  expect(lastWatched([watch([5]), watch([7, 8], { id: 't2' }), watch([], { id: 't3' })])).toBe(8);
  expect(lastWatched([])).toBeUndefined();
});
