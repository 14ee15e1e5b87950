import { of } from 'rxjs';
import { render, stage } from '../../../test/scene';
import { Instruments } from './instruments';

const gateway = { id: 'g1', name: 'Van of Ines', addedAt: '2026-11-20T08:00:00.000Z', addedBy: 'Ines Marrow', revokedAt: null };

test('a gateway is added by its name, and its token is shown this once', async () => {
  const sent: unknown[] = [];
  const addGateway$ = (body: unknown) => {
    sent.push(body);
    return of({ ...gateway, name: 'van 2', token: 'a-token-that-nobody-guesses' });
  };
  stage({ serverData: { gateways$: of([gateway]), instruments$: of([]), addGateway$ } });
  const { text, type, press, control } = await render(Instruments);
  expect(text()).toContain('Van of Ines');
  await press('Add a gateway');
  expect(text()).toContain('Give the gateway a name.');
  await type('Name of the gateway', 'van 2');
  await press('Add a gateway');
  expect(sent).toMatchObject([{ name: 'van 2' }]);
  expect(text()).toContain('Token of van 2, shown this once: a-token-that-nobody-guesses');
  // the next one begins empty, and is not yet told to be missing
  expect(control('Name of the gateway').value).toBe('');
  expect(text()).not.toContain('Give the gateway a name.');
});

test('one that sends no more says since when, and what was heard tells of itself', async () => {
  const revoked: string[] = [];
  const revokeGateway$ = (id: string) => {
    revoked.push(id);
    return of({ ...gateway, revokedAt: '2026-11-21T08:00:00.000Z' });
  };
  const scale = {
    id: 'scale-1',
    gateway: 'Van of Ines',
    facts: { kind: 'scale', unit: 'lb', battery: 82, simulated: true },
    last: {},
    heardAt: '2026-11-29T08:00:00.000Z',
  };
  stage({
    serverData: {
      gateways$: of([gateway, { ...gateway, id: 'g2', name: 'Lost phone', revokedAt: '2026-11-21T08:00:00.000Z' }]),
      instruments$: of([scale]),
      revokeGateway$,
    },
  });
  const { text, press, answer } = await render(Instruments);
  expect(text()).toContain('Lost phone sends no more since');
  expect(text()).toMatch(/scale-1 scale\s+shows lb · battery 82 % · simulated · by Van of Ines/);
  await press('Revoke');
  expect(revoked).toEqual([]);
  await answer('Revoke');
  expect(revoked).toEqual(['g1']);
});
