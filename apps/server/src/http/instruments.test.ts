import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { openHouse, environment, type House } from '../../test/house';
import { addReadings, keepReadings } from '../store/reading-store';

let house: House;
let token: string;
beforeAll(async () => {
  house = await openHouse();
  const { body, status } = await house.send('POST', '/api/gateways', { name: 'Van of Ines', recordedBy: 'Ines Marrow' });
  expect(status).toBe(201);
  token = body.token;
});
afterAll(() => house.close());

const NOW = environment.now().getTime() / 1000;

async function post(pack: unknown, bearer = token) {
  const response = await house.request('/api/instruments/readings', {
    method: 'POST',
    headers: { 'content-type': 'application/senml+json', authorization: `Bearer ${bearer}` },
    body: JSON.stringify(pack),
  });
  // oxlint-disable-next-line typescript/no-explicit-any -- answers are looked at by each test in its own way
  return { status: response.status, body: (await response.json()) as any };
}

const scale = (serial: string, values: readonly number[], from = NOW - 60) => [
  { bn: `urn:dev:ser:${serial}:`, bt: from, bu: 'kg', n: 'battery', vs: '80' },
  ...values.map((v, k) => ({ n: 'gross', t: k, v })),
];

/** Events of a stream, as they come. */
async function* events(path: string, headers: Record<string, string> = {}) {
  const response = await house.request(path, { headers });
  expect(response.headers.get('content-type')).toContain('text/event-stream');
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  try {
    for (;;) {
      const { value, done } = await reader.read();
      if (done) return;
      rest += value;
      for (let cut = rest.indexOf('\n\n'); cut >= 0; cut = rest.indexOf('\n\n')) {
        const lines = rest.slice(0, cut).split('\n');
        rest = rest.slice(cut + 2);
        const of = (name: string) => lines.find((line) => line.startsWith(`${name}: `))?.slice(name.length + 2);
        yield { event: of('event'), id: of('id'), data: of('data') };
      }
    }
  } finally {
    await reader.cancel();
  }
}

async function nextReadings(stream: AsyncGenerator<{ event?: string | undefined; id?: string | undefined; data?: string | undefined }>) {
  for (;;) {
    const { value } = await stream.next();
    if (value?.event === 'readings')
      return { id: value.id, readings: JSON.parse(value.data ?? '[]') as [string, string, number, number][] };
  }
}

test('readings are stored once, however often they are sent; what an instrument says of itself is kept', async () => {
  const pack = scale('scale-1', [24.61, 24.7, 24.8]);
  expect((await post(pack)).body).toEqual({ stored: 3, repeated: 0, problems: [] });
  expect((await post(pack)).body).toEqual({ stored: 0, repeated: 3, problems: [] });
  const { body } = await house.get('/api/instruments');
  const found = body.find(({ id }: { id: string }) => id === 'scale-1');
  expect(found).toMatchObject({ gateway: 'Van of Ines', facts: { battery: '80' }, last: { gross: { value: 24.8 } } });
});

test('who has no token sends nothing, and neither does who may send no more', async () => {
  expect((await post(scale('scale-2', [1]), 'a-token-of-nobody-at-all')).status).toBe(401);
  const { body: added } = await house.send('POST', '/api/gateways', { name: 'Lost phone', recordedBy: 'Ines Marrow' });
  expect((await post(scale('scale-2', [1]), added.token)).body.stored).toBe(1);
  const { body: revoked } = await house.send('POST', `/api/gateways/${added.id}/revocation`, {});
  expect(revoked.revokedAt).not.toBeNull();
  const refused = await post(scale('scale-2', [2]), added.token);
  expect([refused.status, refused.body.code]).toEqual([401, 'unknown-gateway']);
  expect(JSON.stringify((await house.get('/api/gateways')).body)).not.toContain(added.token);
});

test('what cannot be read is named by its record, and the others are stored', async () => {
  const { body, status } = await post([
    { bn: 'urn:dev:ser:probe-1:', bt: NOW - 10, n: 'suction', u: 'Pa', v: 540_000 },
    { n: 'suction', u: 'bar', v: 5.4, t: 1 },
    { n: 'suction', u: 'kg', v: 5.4, t: 2 },
    { n: 'head', u: 'Pa', v: 9e9, t: 3 },
    { n: 'humour', v: 3, t: 4 },
    { n: 'head', u: 'kPa', v: 2700, t: 5 },
    { n: 'head', u: 'kPa', v: 2710, t: 3600 },
  ]);
  expect(status).toBe(200);
  expect(body).toEqual({
    stored: 3,
    repeated: 0,
    problems: [
      { record: 1, problem: 'unit-unknown' },
      { record: 2, problem: 'unit-of-another-kind' },
      { record: 3, problem: 'out-of-range' },
      { record: 4, problem: 'quantity-unknown' },
      { record: 6, problem: 'clock-ahead' },
    ],
  });
  expect((await post({ n: 'gross', v: 1 })).status).toBe(422);
  expect((await post([])).status).toBe(422);
  expect((await post([{ n: 'a:gross', v: 1, new_: 3 }])).status).toBe(422);
});

test('a thousand readings in one request are stored, out of their order as well', async () => {
  const values = Array.from({ length: 1000 }, (_, k) => ({ n: 'gross', t: 999 - k, v: 10 + k / 1000 }));
  const { body } = await post([{ bn: 'urn:dev:ser:scale-9:', bt: NOW - 2000, bu: 'kg', n: 'unit', vs: 'lb' }, ...values]);
  expect(body).toEqual({ stored: 1000, repeated: 0, problems: [] });
});

test('a stream gives what was read before, then what comes, and goes on after what a page has', async () => {
  await post(scale('scale-5', [1, 2, 3]));
  const since = new Date((NOW - 3600) * 1000).toISOString();
  const stream = events(`/api/instruments/stream?instruments=scale-5,probe-5&since=${since}`);
  const before = await nextReadings(stream);
  expect(before.readings.map((reading) => reading[3])).toEqual([1, 2, 3]);
  await post(scale('scale-6', [9], NOW - 5));
  await post(scale('scale-5', [4], NOW - 5));
  // what a page has may come again, for it is the same reading; what it has not, comes
  let after = await nextReadings(stream);
  if (after.readings.every((reading) => reading[3] !== 4)) after = await nextReadings(stream);
  expect(after.readings.at(-1)).toEqual(['scale-5', 'gross', (NOW - 5) * 1000, 4]);
  await stream.return(undefined);

  await post(scale('scale-5', [5], NOW - 4));
  const again = events('/api/instruments/stream?instruments=scale-5', { 'last-event-id': after.id ?? '' });
  expect((await nextReadings(again)).readings.at(-1)).toEqual(['scale-5', 'gross', (NOW - 4) * 1000, 5]);
  await again.return(undefined);
});

test('a page that goes on misses nothing that another process stored under an earlier number and committed later', async () => {
  const [late, early] = ['scale-late', 'scale-early'] as const;
  await post([...scale(early, [1]), ...scale(late, [1]).map((record) => ({ ...record }))]);
  const { id: organisationId } = (await sql<{ id: string }>`select id from organisation limit 1`.execute(house.db)).rows[0]!;
  const reading = (instrument: string, at: number, value: number) => ({
    organisationId,
    instrument,
    quantity: 'gross' as const,
    at,
    value,
  });
  let committed: () => void = () => undefined;
  const held = new Promise<void>((resolve) => (committed = resolve));
  // another process has taken its number, and is not done yet
  let numbered: () => void = () => undefined;
  const taken = new Promise<void>((resolve) => (numbered = resolve));
  const other = house.db.transaction().execute(async (tx) => {
    await addReadings(tx, [reading(late, NOW - 3, 7)]);
    numbered();
    await held;
  });
  await taken;
  const wanted = `/api/instruments/stream?instruments=${early},${late}&since=${new Date((NOW - 10) * 1000).toISOString()}`;
  const stream = events(wanted);
  await addReadings(house.db, [reading(early, NOW - 2, 8)]);
  const seen = await nextReadings(stream);
  expect(seen.readings.map((entry) => entry[0])).toEqual([early]);
  await stream.return(undefined);
  committed();
  await other;
  const again = events(wanted, { 'last-event-id': seen.id ?? '' });
  expect((await nextReadings(again)).readings).toContainEqual([late, 'gross', (NOW - 3) * 1000, 7]);
  await again.return(undefined);
});

test('readings older than they are kept for go, the others stay', async () => {
  const old = (days: number) => scale(`scale-of-${days}`, [1, 2], Date.now() / 1000 - days * 86_400);
  await post(old(400));
  await post(old(20));
  const left = async () =>
    (await sql<{ instrument: string }>`select distinct instrument from reading where instrument like 'scale-of-%'`.execute(house.db)).rows;
  await keepReadings(house.db, 500);
  expect(await left()).toHaveLength(2);
  await keepReadings(house.db, 30);
  expect(await left()).toEqual([{ instrument: 'scale-of-20' }]);
});

test('for how many days they are kept is a setting', async () => {
  const { version, demo: _demo, changedAt: _at, changedBy: _by, ...settings } = (await house.get('/api/organisation')).body;
  expect(settings.readingsKeptDays).toBe(30);
  const save = (days: number, seen: number) =>
    house.send('PUT', '/api/organisation', { version: seen, settings: { ...settings, readingsKeptDays: days }, recordedBy: 'Ines Marrow' });
  expect((await save(0, version)).status).toBe(422);
  const saved = await save(500, version);
  expect(saved.body.readingsKeptDays).toBe(500);
});

test('a transfer that is followed: begun once, read, noted, ended, and nothing of it afterwards', async () => {
  const { body: systems } = await house.get('/api/systems');
  const system = systems[0];
  const said = () => ({ key: randomUUID(), happenedAt: environment.now().toISOString(), recordedBy: 'Ines Marrow' });
  const opening = { key: randomUUID(), recordedBy: 'Ines Marrow' };
  const { body: visit } = await house.send('POST', '/api/visits', { ...opening, system: system.id, day: '2026-11-25', reason: 'leak' });
  const transferId = randomUUID();
  const setUp = {
    cylinder: randomUUID(),
    startGrossKg: 12,
    stopGrossKg: 20,
    tareKg: 12,
    machine: true,
    chargeSd: 0.1,
    instruments: { gross: 'scale-1' },
    speed: 1,
    scenario: {
      composition: { 'R-32': 0.5, 'R-125': 0.5 },
      system: { chargeKg: 4, temperatureK: 300, condenserM3: 0.004, evaporatorM3: 0.004 },
      cylinder: { volumeM3: 0.0217, tareKg: 12, contentKg: 0, temperatureK: 300, cooling: 'still-air', stopKg: 8 },
      machine: 'two-cylinders',
      hoses: { size: '3/8', lengthM: 1.5, cores: 'out' },
      ambientK: 305,
      method: 'vapour',
      endPa: 101_325,
    },
  };
  const add = (event: object) => house.send('POST', `/api/visits/${visit.id}/events`, { ...said(), ...event });
  expect((await add({ kind: 'transfer-read', transferId, reading: { grossKg: 12.5 } })).status).toBe(404);
  expect((await add({ kind: 'transfer-begun', transferId, setUp })).status).toBe(201);
  expect((await add({ kind: 'transfer-begun', transferId: randomUUID(), setUp })).status).toBe(409);
  expect((await add({ kind: 'transfer-read', transferId, reading: {} })).status).toBe(422);
  await add({ kind: 'transfer-read', transferId, reading: { grossKg: 12.5 } });
  await add({ kind: 'transfer-noted', transferId, note: { what: 'cooling', cooling: 'ice' } });
  const finish = {
    endGrossKg: 15.9,
    foretoldGrossKg: 15.8,
    coreVersion: '1',
    trace: { t: [0, 60], grossKg: [12, 12.5], suctionPa: [null, null], headPa: [null, null] },
  };
  const { body: ended } = await add({ kind: 'transfer-ended', transferId, finish });
  expect(ended.transfers).toHaveLength(1);
  expect(ended.transfers[0]).toMatchObject({
    begunBy: 'Ines Marrow',
    readings: [{ reading: { grossKg: 12.5 } }],
    notes: [{ note: { what: 'cooling' } }],
    ended: { finish },
  });
  expect((await add({ kind: 'transfer-read', transferId, reading: { grossKg: 13 } })).status).toBe(409);
  const { body: read } = await house.get(`/api/visits/${visit.id}`);
  expect(read.transfers).toEqual(ended.transfers);
});
