import type { Instrument } from '@hygromet/contract/instrument';
import { keptFact } from '@hygromet/core/instruments/identified';
import { of } from 'rxjs';
import { open, SEEN } from '../../../test/visit-scene';

/** It is heard now; its sample was taken some minutes ago. */
const identifier = (facts: Instrument['facts'], minutesAgo = 1): Instrument => {
  const at = Date.now() / 1000 - 60 * minutesAgo;
  const kept = Object.entries(facts).map(([fact, value]) => keptFact({ fact, value, at }));
  return {
    id: 'identifier-1',
    gateway: 'g1',
    facts: Object.assign({ kind: 'refrigerant identifier', battery: 80 }, ...kept) as Instrument['facts'], // facts with their times
    last: {},
    heardAt: new Date().toISOString(),
  };
};
const look = (...instruments: Instrument[]) => open('look', { look: SEEN }, { instruments$: of(instruments) });

test('what it shows stands beside the record, and is kept once', async () => {
  const { text, press, sent, root } = await look(identifier({ refrigerant: 'R410A', nonCondensables: 0.3 }));
  expect(text()).toContain('R410A, 0.3 % air, by identifier-1. As the system is recorded.');
  await press('Keep with the visit');
  expect(sent[0]).toMatchObject({ kind: 'read', step: 'identifier', text: 'R410A, 0.3 % air, by identifier-1' });
  expect([...root.querySelectorAll('button')].some((button) => button.textContent?.includes('Keep with the visit'))).toBe(false);
});

test.each([
  [{ refrigerant: 'R-22' }, /R-22, air not measured, by identifier-1\. The record says R-410A\. Do not mix it/],
  [{ refrigerant: 'R-410A', nonCondensables: 4 }, /More than the 1\.5 % that AHRI 700 allows/],
] as const)('%j is a caution', async (facts, words) => {
  const { text } = await look(identifier(facts));
  expect(text()).toMatch(words);
});

test('a sample of this morning, or another instrument, says nothing of this system', async () => {
  const { root } = await look(identifier({ refrigerant: 'R-22' }, 45), { ...identifier({}), id: 'scale-1' });
  expect(root.querySelector('section[aria-label=Identifier]')).toBeNull();
});
