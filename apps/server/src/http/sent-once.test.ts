import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { openHouse, transferOf, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

const aCylinder = (more: object = {}) => ({
  key: randomUUID(),
  name: `K-${randomUUID().slice(0, 8)}`,
  volumeM3: 0.0119,
  tareKg: 7.8,
  servicePressurePa: 2.76e6,
  requalified: '2024-11',
  place: 'workshop',
  ...more,
});
const aSystem = (more: object = {}) => ({
  key: randomUUID(),
  site: `Site ${randomUUID().slice(0, 8)}`,
  name: 'store',
  kind: 'split',
  refrigerant: 'R-410A',
  nameplateKg: 3,
  ...more,
});

const aPrice = (more: object = {}) => ({
  ...{ key: randomUUID(), refrigerant: 'R-410A', kind: 'buy', perKg: 9.5, currency: 'USD' },
  ...{ from: '2031-01-01', recordedBy: 'Ines Marrow' },
  ...more,
});

describe.each([
  ['/api/cylinders', aCylinder, { tareKg: 8.1 }],
  ['/api/systems', aSystem, { nameplateKg: 4 }],
] as const)('registering at %s', (path, draft, other) => {
  test('twice at the same time is registering once, and both are told the same', async () => {
    const body = draft();
    const answers = await Promise.all(Array.from({ length: 4 }, () => house.send('POST', path, body)));
    expect(answers.map(({ status }) => status < 300)).toEqual([true, true, true, true]);
    expect(new Set(answers.map(({ body: { id } }) => id as string)).size).toBe(1);
  });

  test('with a key that was used for something else is refused, and nothing is registered', async () => {
    const body = draft();
    await house.send('POST', path, body);
    const reused = await house.send('POST', path, { ...body, ...other });
    expect([reused.status, reused.body.code]).toEqual([409, 'key-reused']);
  });
});

test('a key of one kind is not one of another', async () => {
  const key = randomUUID();
  expect((await house.send('POST', '/api/cylinders', aCylinder({ key }))).status).toBeLessThan(300);
  expect((await house.send('POST', '/api/systems', aSystem({ key }))).body.code).toBe('key-reused');
});

test('an event is recorded once, refused with other content, and refused at another cylinder', async () => {
  const [one, other] = await Promise.all(
    [aCylinder(), aCylinder()].map(async (body) => (await house.send('POST', '/api/cylinders', body)).body),
  );
  const event = { key: randomUUID(), what: 'moved', place: 'van', happenedAt: '2026-11-24T08:00:00.000Z', recordedBy: 'Ines Marrow' };
  const path = `/api/cylinders/${one.id}/events`;
  expect((await house.send('POST', path, event)).status).toBeLessThan(300);
  expect((await house.send('POST', path, event)).status).toBeLessThan(300);
  expect((await house.send('POST', path, { ...event, place: 'workshop' })).body.code).toBe('key-reused');
  expect((await house.send('POST', `/api/cylinders/${other.id}/events`, event)).body.code).toBe('key-reused');
  expect((await house.get(path)).body).toHaveLength(1);
  expect((await house.get(`/api/cylinders/${other.id}/events`)).body).toEqual([]);
});

test('what was refused has not used its key: put right, it is sent under the same one', async () => {
  const wrong = aCylinder({ refrigerant: 'R-410A', grossKg: 300 });
  expect((await house.send('POST', '/api/cylinders', wrong)).body.code).toBe('more-than-fits');
  expect((await house.send('POST', '/api/cylinders', { ...wrong, grossKg: 9 })).status).toBeLessThan(300);
});

test('nobody who serves can take back that something was sent', async () => {
  await expect(sql`delete from sent_once`.execute(house.db)).rejects.toThrow(/permission denied/);
});

describe('a key that has booked', () => {
  const booked = async () => {
    const transfer = await transferOf(house, 0.1);
    expect((await house.send('POST', '/api/transfers', transfer)).status).toBe(201);
    return transfer;
  };

  test.each([
    ['registers no cylinder', '/api/cylinders', (key: string) => aCylinder({ key })],
    ['registers no system', '/api/systems', (key: string) => aSystem({ key })],
    ['types no price', '/api/prices', (key: string) => aPrice({ key })],
  ])('%s', async (_, path, draft) => {
    const { key } = await booked();
    expect((await house.send('POST', path, draft(key))).body.code).toBe('key-reused');
  });

  test('undoes nothing', async () => {
    const { key } = await booked();
    const [entry] = (await house.get('/api/movements?limit=1')).body as { id: string }[];
    const reversal = { key, recordedBy: 'Tobin Wake', note: 'wrong cylinder' };
    expect((await house.send('POST', `/api/movements/${entry?.id ?? ''}/reversal`, reversal)).body.code).toBe('key-reused');
  });

  test('moves no cylinder, nor those that are sent with it', async () => {
    const { key } = await booked();
    const [one, other] = await Promise.all(
      [aCylinder(), aCylinder()].map(async (body) => (await house.send('POST', '/api/cylinders', body)).body),
    );
    const cylinders = [
      { id: one.id, key },
      { id: other.id, key: randomUUID() },
    ];
    const moves = { place: 'van', cylinders, happenedAt: '2026-11-24T08:00:00.000Z', recordedBy: 'Ines Marrow' };
    expect((await house.send('POST', '/api/cylinders/moves', moves)).body.code).toBe('key-reused');
    expect((await house.get(`/api/cylinders/${other.id}`)).body.place).toBe('workshop');
  });
});

test('a price is typed once, and its key says nothing else', async () => {
  const price = aPrice();
  const first = await house.send('POST', '/api/prices', price);
  const again = await house.send('POST', '/api/prices', price);
  expect(again.body).toEqual(first.body);
  expect((await house.send('POST', '/api/prices', { ...price, perKg: 12 })).body.code).toBe('key-reused');
});

test('a weighing is booked once, whatever the ledger says since', async () => {
  const { id } = (await house.send('POST', '/api/cylinders', aCylinder({ refrigerant: 'R-410A', grossKg: 9 }))).body;
  const weighing = { key: randomUUID(), grossKg: 9.4, happenedAt: '2026-11-25T07:30:00.000Z', recordedBy: 'Tobin Wake' };
  const path = `/api/cylinders/${id}/weighings`;
  const first = await house.send('POST', path, weighing);
  const again = await house.send('POST', path, weighing);
  expect([first.status, again.status, again.body.movement.id]).toEqual([201, 200, first.body.movement.id]);
  expect((await house.send('POST', path, { ...weighing, grossKg: 9.6 })).body.code).toBe('key-reused');
});
