import { booked } from '@hygromet/contract/movement';
import { randomUUID } from 'node:crypto';
import { openHouse, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

const accountOf = async (kind: string) => {
  const { body } = await house.get('/api/accounts');
  return (body as { id: string; kind: string }[]).find((entry) => entry.kind === kind)!;
};
const systemAt = async (site: string) => {
  const { body } = await house.get('/api/systems');
  return (body as { id: string; site: string; contentKg: number }[]).find((entry) => entry.site === site)!;
};
const difference = async (site: string, more: object = {}) => ({
  key: randomUUID(),
  system: (await systemAt(site)).id,
  account: (await accountOf('air')).id,
  direction: 'missing',
  massKg: 0.5,
  happenedAt: '2026-11-25T07:40:00Z',
  recordedBy: 'Ines Marrow',
  note: 'leaked before: flare',
  ...more,
});
const send = (body: object) => house.send('POST', '/api/differences', body);

test('what a system has lost goes to the air with its reason, once, and the ledger of the system is lower by it', async () => {
  const before = (await systemAt('Print works')).contentKg;
  const current = await difference('Print works');
  const answer = await send(current);
  expect([answer.status, booked.parse(answer.body).movement]).toMatchObject([
    201,
    { known: 'estimated', massKg: 0.5, note: 'leaked before: flare' },
  ]);
  expect((await send(current)).body.repeated).toBe(true);
  expect((await send({ ...current, massKg: 0.6 })).body.code).toBe('key-reused');
  expect((await systemAt('Print works')).contentKg).toBeCloseTo(before - 0.5, 9);
});

test('too much in it comes from what is not accounted for', async () => {
  const before = (await systemAt('Planetarium')).contentKg;
  const account = (await accountOf('unexplained')).id;
  expect((await send(await difference('Planetarium', { direction: 'surplus', account }))).status).toBe(201);
  expect((await systemAt('Planetarium')).contentKg).toBeCloseTo(before + 0.5, 9);
});

test('too much may have been charged by somebody who is not in the book; what is missing never goes to a supplier', async () => {
  const account = (await accountOf('supplier')).id;
  expect((await send(await difference('Planetarium', { direction: 'surplus', account }))).status).toBe(201);
  const { status, body } = await send(await difference('Planetarium', { account }));
  expect([status, body.errors[0].pointer]).toEqual([404, '/account']);
  const air = (await accountOf('air')).id;
  expect((await send(await difference('Planetarium', { direction: 'surplus', account: air }))).status).toBe(404);
});

test('on a visit it is no recovery', async () => {
  const system = await systemAt('Seed bank');
  const visit = { key: randomUUID(), system: system.id, day: '2026-11-26', reason: 'drier', recordedBy: 'Ines Marrow' };
  const { body: opened } = await house.send('POST', '/api/visits', visit);
  expect((await send(await difference('Seed bank', { visit: opened.id }))).status).toBe(201);
  expect((await house.get(`/api/visits/${opened.id}`)).body.recovered).toEqual({ bookings: 0, massKg: 0 });
  expect((await send(await difference('Planetarium', { visit: opened.id }))).body.code).toBe('other-visit');
});

test.each([
  ['nothing', { massKg: 0 }, '/massKg'],
  ['no reason', { note: ' ' }, '/note'],
  ['a system that is not there', { system: '00000000-0000-4000-8000-000000000000' }, '/system'],
  ['a time to come', { happenedAt: '2027-01-01T00:00:00Z' }, '/happenedAt'],
])('%s is refused beside its field', async (_, more, pointer) => {
  const { status, body } = await send(await difference('Print works', more));
  expect([status >= 400, body.errors[0].pointer]).toEqual([true, pointer]);
});

test('into a cylinder goes only what was weighed', async () => {
  const { body } = await house.get('/api/cylinders');
  const { status } = await send(await difference('Print works', { account: (body as { id: string }[])[0]!.id }));
  expect(status).toBe(404);
});
