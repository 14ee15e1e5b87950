import { randomUUID } from 'node:crypto';
import { accountNamed, cylinderNamed, openHouse, environment, transferOf, type House } from '../../test/house';

let house: House;
beforeEach(async () => (house = await openHouse()));
afterEach(() => house.close());

const book = (body: object) => house.send('POST', '/api/transfers', body);
const content = async () => (await cylinderNamed(house, 'C-07')).contentKg as number;

test('the same transfer typed on two devices is asked about, and booked once more only by somebody who is certain', async () => {
  const transfer = await transferOf(house, 0.5);
  const before = await content();
  expect((await book(transfer)).status).toBe(201);
  // another person read the same scale: a little else, some minutes later
  const other = {
    ...transfer,
    key: randomUUID(),
    grossBeforeKg: transfer.grossBeforeKg + 0.01,
    grossAfterKg: transfer.grossAfterKg - 0.01,
    happenedAt: '2026-11-25T07:52:00Z',
    recordedBy: 'Tobin Wake',
  };
  const asked = await book(other);
  expect([asked.status, asked.body.code, asked.body.errors[0].pointer]).toEqual([409, 'perhaps-twice', '/grossAfterKg']);
  expect(asked.body.detail).toMatch(/^Ines Marrow has logged this already: C-07 from .* at \d{4}-\d\d-\d\d 07:40 UTC/);
  expect(await content()).toBeCloseTo(before + 0.5, 9);

  const still = await book({ ...other, certain: ['perhaps-twice'] });
  expect([still.status, still.body.code]).toEqual([409, 'ledger-differs']);
  expect((await book({ ...other, certain: ['perhaps-twice', 'ledger-differs'] })).status).toBe(201);
});

test('what was reversed is no twin', async () => {
  const transfer = await transferOf(house, 0.5);
  const { body } = await book(transfer);
  await house.send('POST', `/api/movements/${body.movement.id}/reversal`, {
    key: randomUUID(),
    recordedBy: 'Ines Marrow',
    note: 'wrong source',
  });
  expect((await book({ ...transfer, key: randomUUID() })).status).toBe(201);
});

test('transfers one after the other, each from where the last one ended, are asked about by nobody', async () => {
  for (const kg of [0.01, 0.01, 0.02, 0.5, 0.5]) expect((await book(await transferOf(house, kg))).status).toBe(201);
});

test('a weight before that is not the ledger’s is asked back beside its field, for what goes in and for what comes out', async () => {
  const transfer = await transferOf(house, 0.5);
  const off = { grossBeforeKg: transfer.grossBeforeKg + 0.2, grossAfterKg: transfer.grossAfterKg + 0.2 };
  const asked = await book({ ...transfer, ...off });
  expect([asked.status, asked.body.code, asked.body.errors[0].pointer]).toEqual([409, 'ledger-differs', '/grossBeforeKg']);
  const { id } = await accountNamed(house, 'Reclaimer');
  const removal = { key: randomUUID(), cylinder: transfer.cylinder, to: id, happenedAt: transfer.happenedAt, recordedBy: 'Ines Marrow' };
  const out = await house.send('POST', '/api/removals', {
    ...removal,
    grossBeforeKg: off.grossBeforeKg,
    grossAfterKg: transfer.grossBeforeKg,
  });
  expect([out.status, out.body.code]).toEqual([409, 'ledger-differs']);
});

test('what is written down late fits the ledger of its time', async () => {
  const early = await transferOf(house, 0.5, { happenedAt: '2026-11-25T05:00:00Z' });
  const late = await transferOf(house, 0.8);
  expect((await book({ ...late, grossBeforeKg: early.grossAfterKg, grossAfterKg: early.grossAfterKg + 0.8, certain: ['ledger-differs'] })).status).toBe(201); // prettier-ignore
  expect((await book(early)).status).toBe(201);
});

test('a device whose clock is a day behind, or ahead, is asked about; one that is a few minutes off is not', async () => {
  const sent = (ms: number) => new Date(environment.now().getTime() + ms).toISOString();
  const transfer = await transferOf(house, 0.1);
  for (const [ms, words] of [[-86_400_000, /24 h behind/], [86_400_000, /24 h ahead/], [-3 * 86_400_000, /3 days behind/]] as const) {
    const asked = await book({ ...transfer, sentAt: sent(ms) });
    expect([asked.status, asked.body.code]).toEqual([409, 'clock-off']);
    expect(asked.body.detail).toMatch(words);
  } // prettier-ignore
  expect((await book({ ...transfer, sentAt: sent(-300_000) })).status).toBe(201);
});

test('taking more out than is in it is said in the answer and stays on the system', async () => {
  const transfer = await transferOf(house, 40);
  const { body } = await book(transfer);
  const system = (await house.get('/api/systems')).body.find(({ id }: { id: string }) => id === transfer.from);
  expect(body.overdrawnByKg).toBeCloseTo(-system.contentKg, 9);
  expect(system.overdrawnByKg).toBeCloseTo(-system.contentKg, 9);
  expect(body.overdrawnByKg).toBeGreaterThan(0);
});

test('a removal on a visit that is not there, or to another system, is refused', async () => {
  const [visit] = (await house.get('/api/visits')).body;
  const cylinder = await cylinderNamed(house, 'C-07');
  const systems = (await house.get('/api/systems')).body as { id: string }[];
  const gross = cylinder.tareKg + cylinder.contentKg;
  const removal = (to: string, on: string) => ({
    key: randomUUID(), cylinder: cylinder.id, to, visit: on, grossBeforeKg: gross, grossAfterKg: gross - 0.1,
    happenedAt: '2026-11-25T07:40:00Z', recordedBy: 'Ines Marrow',
  }); // prettier-ignore
  const other = systems.find(({ id }) => id !== visit.system.id)!.id;
  const foreign = await house.send('POST', '/api/removals', removal(other, visit.id));
  expect([foreign.status, foreign.body.code]).toEqual([409, 'other-visit']);
  const unknown = await house.send('POST', '/api/removals', removal(visit.system.id, randomUUID()));
  expect([unknown.status, unknown.body.code]).toEqual([404, 'not-found']);
  expect((await house.send('POST', '/api/removals', removal(visit.system.id, visit.id))).status).toBe(201);
});

test('a key that comes again with another refrigerant, target or visit is not the same booking', async () => {
  const { id: from } = await accountNamed(house, 'Supplier');
  const transfer = await transferOf(house, 0.1, { from, refrigerant: 'R-410A' });
  expect((await book(transfer)).status).toBe(201);
  const other = await book({ ...transfer, refrigerant: 'R-32', acceptMixing: true, note: 'x' });
  expect([other.status, other.body.code]).toEqual([409, 'key-reused']);
  expect((await book(transfer)).body.repeated).toBe(true);
});
