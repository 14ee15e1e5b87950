import type { Movement } from '@hygromet/contract/movement';
import { of, throwError } from 'rxjs';
import { aTransfer } from '../../../test/live-scene';
import { aMovement, aVisit, render, stage } from '../../../test/scene';
import { ApiError } from '../data/api-error';
import { EntryPage } from './entry.page';
import { transferOf } from './transfer-of';

const trace = { t: [0, 300, 600], grossKg: [11.2, null, 14], suctionPa: [null, null, null], headPa: [null, null, null] };
const followed = (more: { id?: string; startGrossKg?: number; endedAt?: string; cylinder?: string } = {}) =>
  aTransfer({
    id: more.id ?? 't1',
    setUp: { ...aTransfer().setUp, cylinder: more.cylinder ?? 'c7', startGrossKg: more.startGrossKg ?? 11.2 },
    ended: {
      at: more.endedAt ?? '2026-11-29T09:10:00.000Z',
      by: 'Ines Marrow',
      finish: { endGrossKg: 14, foretoldGrossKg: 14.5, trace, coreVersion: '1' },
    },
  });
const weighed: Partial<Movement> = {
  visit: 'v1',
  grossBeforeKg: 11.2,
  grossAfterKg: 14,
  massKg: 2.8,
  recordedAt: '2026-11-29T09:12:00.000Z',
};

async function open(movement: Partial<Movement>, transfers = [followed()]) {
  stage({ id: 'm1', serverData: { movement$: () => of(aMovement(movement)), visit$: () => of({ ...aVisit({ transfers }), events: [] }) } });
  return render(EntryPage);
}

test('says what moved, how it is known, and leads to its accounts and its visit', async () => {
  const { text, root } = await open({ ...weighed, note: 'two runs', against: ['overdue'] });
  expect(text()).toContain('6.2 lb, Planetarium, rooftop unit to C-07');
  for (const part of [
    'R-410A · weighed',
    'Gross before24.7 lb',
    'Gross after30.9 lb',
    'requalification overdue',
    'two runs',
    'Ines Marrow',
  ])
    expect(text()).toContain(part);
  const links = [...root.querySelectorAll('dd a')].map((link) => link.getAttribute('href'));
  expect(links).toEqual(['/systems/s1', '/cylinders/c7', '/visits/v1/account']);
});

test('shows the trace of its transfer, with what was foretold', async () => {
  const { text, root } = await open(weighed);
  expect(text()).toContain('6.2 lb in 10 min; 7.3 lb were foretold.');
  expect(root.querySelector('hy-transfer-trace path')?.getAttribute('d')).toMatch(/^M0\.0 .*L240\.0 /);
});

test('one that nobody followed has none, and neither has one without a visit', async () => {
  expect((await open(weighed, [])).text()).not.toContain('As it was followed');
});

test('that is reversed leads to the entry that reverses it', async () => {
  const { root, text } = await open({ reversedBy: 'm9' });
  expect(text()).toContain('Reversed by');
  expect(root.querySelector('a[href="/book/m9"]')).not.toBeNull();
});

test('that is not there says so, with the way back', async () => {
  stage({ id: 'm1', serverData: { movement$: () => throwError(() => new ApiError('not-found', 'This entry is not in the ledger.')) } });
  const { text, root } = await render(EntryPage);
  expect(text()).toContain('This entry is not in the ledger.');
  expect(root.querySelector('a[href="/book"]')).not.toBeNull();
});

test('an entry belongs to the transfer into its cylinder from its gross weight on, and to no later or other one', () => {
  const entry = aMovement(weighed);
  const earlier = followed({ id: 'early', endedAt: '2026-11-29T08:00:00.000Z' });
  expect(transferOf(entry, [earlier, followed()])?.id).toBe('t1');
  expect(transferOf(entry, [followed({ startGrossKg: 12 })])).toBeUndefined();
  expect(transferOf(entry, [followed({ cylinder: 'c4' })])).toBeUndefined();
  expect(transferOf(entry, [followed({ endedAt: '2026-11-29T09:30:00.000Z' })])).toBeUndefined();
  expect(transferOf(entry, [aTransfer()])).toBeUndefined();
});
