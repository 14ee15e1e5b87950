import { shipment as shipmentSchema, type Shipment } from '@hygromet/contract/shipment';
import { randomUUID } from 'node:crypto';
import { openHouse, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

interface Own {
  readonly id: string;
  readonly name: string;
  readonly contentKg: number;
  readonly place: string;
  readonly retiredAt: string | null;
}
const cylinder = async (name: string): Promise<Own> =>
  ((await house.get('/api/cylinders')).body as Own[]).find((entry) => entry.name === name)!;
const balance = async (kind: string): Promise<number> =>
  ((await house.get('/api/accounts')).body as { kind: string; massKg: number }[]).find((entry) => entry.kind === kind)!.massKg;
const at = '2026-11-25T07:40:00Z';
const said = { happenedAt: at, recordedBy: 'Ines Marrow' };

/** One filled cylinder of its own, named anew, so that no test waits for another. */
async function filled(name: string, massKg: number): Promise<Own> {
  const collar = { volumeM3: 0.0477, tareKg: 12, servicePressurePa: 2.8e6, requalified: '2026-05', place: 'workshop' };
  const { body: made } = await house.send('POST', '/api/cylinders', { key: randomUUID(), name, ...collar });
  const supplier = ((await house.get('/api/accounts')).body as { id: string; kind: string }[]).find(({ kind }) => kind === 'supplier')!;
  const booked = await house.send('POST', '/api/transfers', {
    key: randomUUID(),
    from: supplier.id,
    cylinder: made.id,
    refrigerant: 'R-134a',
    grossBeforeKg: 12,
    grossAfterKg: 12 + massKg,
    happenedAt: '2026-11-24T07:40:00Z',
    recordedBy: 'Ines Marrow',
  });
  expect(booked.status).toBe(201);
  return cylinder(name);
}

async function sent(...cylinders: readonly Own[]): Promise<Shipment> {
  const values = cylinders.map(({ id }) => ({ id, key: randomUUID() }));
  const body = { key: randomUUID(), to: 'Brackwater Reclaim', carrier: 'own van', day: '2026-11-25', cylinders: values, ...said };
  const answer = await house.send('POST', '/api/shipments', body);
  expect(answer.status).toBe(201);
  return shipmentSchema.parse(answer.body);
}
const line = (cylinderId: string, more: object = {}) => ({
  cylinder: cylinderId,
  receivedKg: 5,
  analysis: { purityShare: 0.995, moisturePpm: 30 },
  difference: { is: 'none' },
  back: 'empty',
  credit: 12.5,
  ...more,
});
const receipt = (lines: readonly object[], more: object = {}) => ({
  key: randomUUID(),
  certificate: 'BW-1187',
  currency: 'USD',
  charges: 20,
  lines,
  ...said,
  ...more,
});
const receive = (id: string, body: object) => house.send('POST', `/api/shipments/${id}/receipt`, body);

test('cylinders leave with what is in them, once however often it is sent', async () => {
  const current = await filled('S-01', 5);
  const body = {
    key: randomUUID(),
    to: 'Brackwater Reclaim',
    carrier: '',
    day: '2026-11-25',
    cylinders: [{ id: current.id, key: randomUUID() }],
    ...said,
  };
  const first = await house.send('POST', '/api/shipments', body);
  expect(first.body.lines).toMatchObject([{ name: 'S-01', refrigerant: 'R-134a', massKg: 5, tareKg: 12 }]);
  expect((await cylinder('S-01')).place).toBe('reclaimer');
  expect((await house.send('POST', '/api/shipments', body)).body.id).toBe(first.body.id);
  expect((await house.send('POST', '/api/shipments', { ...body, to: 'somebody else' })).body.code).toBe('key-reused');
  expect(((await house.get('/api/shipments')).body as Shipment[])[0]?.id).toBe(first.body.id);
});

test('a receipt books what was weighed, keeps analysis, certificate and credit, and brings the cylinder back empty', async () => {
  const current = await filled('S-02', 5);
  const { id } = await sent(current);
  const reclaimed = await balance('reclaimer');
  const body = receipt([line(current.id, { receivedKg: 5.02 })]);
  const answer = await receive(id, body);
  expect(answer.status).toBe(201);
  expect(answer.body.receipt).toMatchObject({
    certificate: 'BW-1187',
    currency: 'USD',
    charges: 20,
    lines: [{ sentKg: 5, receivedKg: 5.02, credit: 12.5, name: 'S-02', analysis: { purityShare: 0.995, moisturePpm: 30 } }],
  });
  expect(await balance('reclaimer')).toBeCloseTo(reclaimed + 5.02, 9);
  expect(await cylinder('S-02')).toMatchObject({ contentKg: 0, place: 'workshop', retiredAt: null });
  expect((await receive(id, body)).body).toEqual(answer.body);
  expect(await balance('reclaimer')).toBeCloseTo(reclaimed + 5.02, 9);
  expect((await receive(id, { ...body, charges: 0 })).body.code).toBe('key-reused');
  expect((await receive(id, receipt([line(current.id)]))).body.code).toBe('changed-meanwhile');
});

test('what differs is asked back, and goes to what is not accounted for with its reason', async () => {
  const current = await filled('S-03', 5);
  const { id } = await sent(current);
  const asked = await receive(id, receipt([line(current.id, { receivedKg: 4.6 })]));
  expect([asked.status, asked.body.code, asked.body.errors[0].pointer]).toEqual([409, 'difference-open', '/lines/0/difference']);
  expect((await cylinder('S-03')).contentKg).toBeCloseTo(5, 9);
  const open = await balance('unexplained');
  const why = { is: 'explained', reason: 'oil drawn off' };
  expect((await receive(id, receipt([line(current.id, { receivedKg: 4.6, difference: why })]))).status).toBe(201);
  expect(await balance('unexplained')).toBeCloseTo(open + 0.4, 9);
  const { body: entries } = await house.get(`/api/movements?account=${current.id}&limit=2`);
  expect((entries as { note: string; known: string }[]).map(({ note, known }) => [note, known])).toContainEqual([
    'oil drawn off',
    'estimated',
  ]);
});

test('more than the ledger has comes from what is not accounted for, and the cylinder ends at nothing', async () => {
  const current = await filled('S-04', 5);
  const { id } = await sent(current);
  const open = await balance('unexplained');
  const answer = await receive(id, receipt([line(current.id, { receivedKg: 5.5, difference: { is: 'booked' }, back: 'exchanged' })]));
  expect(answer.status).toBe(201);
  expect(await balance('unexplained')).toBeCloseTo(open - 0.5, 9);
  const after = await cylinder('S-04');
  expect([after?.contentKg ?? 0, after?.retiredAt !== null]).toEqual([0, true]);
});

test('a receipt is for the cylinders that were sent: each of them, once, and no other', async () => {
  const [one, two, stranger] = [await filled('S-05', 5), await filled('S-06', 5), await filled('S-07', 5)];
  const { id } = await sent(one, two);
  const refusal = async (...lines: readonly object[]) => {
    const { body } = await receive(id, receipt(lines));
    return [body.code, body.errors[0].pointer];
  };
  expect(await refusal(line(one.id), line(two.id), line(stranger.id))).toEqual(['not-found', '/lines/2/cylinder']);
  expect(await refusal(line(one.id), line(one.id))).toEqual(['invalid-input', '/lines']);
  const { body } = await receive(id, receipt([line(one.id)]));
  expect(body.detail).toMatch(/says nothing of S-06/);
  expect((await receive('00000000-0000-4000-8000-000000000000', receipt([line(one.id)]))).status).toBe(404);
  expect([(await cylinder('S-05')).contentKg, (await cylinder('S-06')).contentKg]).toEqual([5, 5]);
});

test.each([
  ['a negative weight', { receivedKg: -1 }, '/lines/0/receivedKg'],
  ['more than pure', { analysis: { purityShare: 1.2 } }, '/lines/0/analysis/purityShare'],
  ['an explanation without words', { difference: { is: 'explained', reason: ' ' } }, '/lines/0/difference/reason'],
])('%s is refused beside its field', async (_, more, pointer) => {
  const current = await cylinder('S-05');
  const [open] = ((await house.get('/api/shipments')).body as Shipment[]).filter(({ lines }) =>
    lines.some(({ cylinder: id }) => id === current.id),
  );
  const { status, body } = await receive(open!.id, receipt([line(current.id, more)]));
  expect([status, body.errors[0].pointer]).toEqual([422, pointer]);
});

describe('prices', () => {
  const price = (more: object = {}) => ({
    key: randomUUID(),
    refrigerant: 'R-410A',
    kind: 'buy',
    perKg: 24.5,
    currency: 'USD',
    from: '2026-12-01',
    recordedBy: 'Ines Marrow',
    ...more,
  });
  const type = (body: object) => house.send('POST', '/api/prices', body);

  test('are kept with their first day and who typed them, once', async () => {
    const current = price();
    expect((await type(current)).body).toMatchObject({ perKg: 24.5, from: '2026-12-01', recordedBy: 'Ines Marrow' });
    await type(current);
    const { body } = await house.get('/api/prices');
    expect((body as { from: string }[]).filter(({ from }) => from === '2026-12-01')).toHaveLength(1);
    expect((await type({ ...current, perKg: 30 })).body.code).toBe('key-reused');
  });

  test.each([
    ['a price in the past', { from: '2026-11-01' }, 422, 'invalid-input'],
    ['a refrigerant that nobody knows', { refrigerant: 'R-9999' }, 422, 'unknown-refrigerant'],
    ['a negative price', { perKg: -1 }, 422, 'invalid-input'],
    ['a currency that is none', { currency: 'dollars' }, 422, 'invalid-input'],
  ])('%s is refused', async (_, more, status, code) => {
    const answer = await type(price(more));
    expect([answer.status, answer.body.code]).toEqual([status, code]);
  });
});
