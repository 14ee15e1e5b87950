import { sql } from 'kysely';
import { visit, visitWithEvents, type Visit } from '@hygromet/contract/visit';
import { recordOf } from '@hygromet/contract/visit-state';
import { randomUUID } from 'node:crypto';
import { openHouse, transferOf, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

const systemAt = async (site: string): Promise<{ id: string; version: number }> => {
  const { body } = await house.get('/api/systems');
  return (body as { id: string; site: string; version: number }[]).find((entry) => entry.site === site)!;
};
const opened = async (site: string, key = randomUUID()): Promise<Visit> => {
  const { id: system } = await systemAt(site);
  const { body } = await house.send('POST', '/api/visits', {
    key,
    system,
    day: '2026-11-26',
    reason: 'no cooling',
    recordedBy: 'Ines Marrow',
  });
  return visit.parse(body);
};
const plan = (factsVersion: number, more: object = {}) => ({
  method: 'recover',
  proposed: 'recover',
  why: '',
  failed: 'condenser',
  ambientK: 300,
  standingPa: 1_240_000,
  factsVersion,
  ...more,
});
const said = () => ({ key: randomUUID(), happenedAt: '2026-11-25T07:50:00Z', recordedBy: 'Ines Marrow' });
const add = (id: string, event: object) => house.send('POST', `/api/visits/${id}/events`, { ...said(), ...event });
const decide = (id: string, version: number, entry: object) => add(id, { kind: 'planned', version, plan: entry });

test('a visit is opened once, however often it is sent', async () => {
  const key = randomUUID();
  const [first, second] = [await opened('Print works', key), await opened('Print works', key)];
  expect(second.id).toBe(first.id);
  const { id: system } = await systemAt('Print works');
  const other = { key, system, day: '2026-11-27', reason: 'no cooling', recordedBy: 'Ines Marrow' };
  expect((await house.send('POST', '/api/visits', other)).body.code).toBe('key-reused');
  expect(first).toMatchObject({ day: '2026-11-26', reason: 'no cooling', state: 'open', plan: null, system: { site: 'Print works' } });
});

test('what was decided is kept with the facts it rests on', async () => {
  const current = await opened('Planetarium');
  const { status, body } = await decide(current.id, current.version, plan(current.system.factsVersion));
  expect(status).toBe(201);
  expect(visit.parse(body)).toMatchObject({ plan: { method: 'recover', failed: 'condenser' }, version: current.version + 1 });
});

test('a plan from facts that have changed meanwhile is refused', async () => {
  const current = await opened('Cheese cave');
  const system = await systemAt('Cheese cave');
  await house.send('PUT', `/api/systems/${system.id}/facts`, {
    version: system.version,
    facts: { written: 'new' },
    recordedBy: 'Jory Quill',
  });
  const { status, body } = await decide(current.id, current.version, plan(current.system.factsVersion));
  expect(status).toBe(409);
  expect(body).toMatchObject({ code: 'changed-meanwhile' });
  expect(body.detail).toContain('Check the plan again');
});

test('nothing to recover is kept only where zero was read on both sides', async () => {
  const current = await opened('Bell foundry');
  const flat = (look: object) =>
    plan(current.system.factsVersion, { method: 'nothing', proposed: 'nothing', failed: 'evaporator', standingPa: 101_325, look });
  const one = await decide(current.id, current.version, flat({ failed: 'evaporator', sides: 'one' }));
  expect([one.status, one.body.code, one.body.detail]).toEqual([409, 'method-not-possible', expect.stringContaining('one side read')]);
  const both = await decide(current.id, current.version, flat({ failed: 'evaporator', sides: 'both' }));
  expect(both.status).toBe(201);
});

test('a failed thing that no circuit has is named, and any joint, valve or numbered part is taken', async () => {
  const current = await opened('Rope walk');
  const look = (failed: string) => add(current.id, { kind: 'looked', look: { failed } });
  const wrong = await look('flux capacitor');
  expect([wrong.status, wrong.body.errors[0].detail]).toEqual([422, 'Name a part, valve, joint or port of the circuit.']);
  for (const failed of ['evaporator-2', 'drier>liquid-line', 'branch-liquid-3', 'suction-port', 'unknown'])
    expect([failed, (await look(failed)).status]).toEqual([failed, 201]);
});

test('another method than the proposed one needs its reason', async () => {
  const current = await opened('Seed bank');
  const refused = await decide(current.id, current.version, plan(current.system.factsVersion, { proposed: 'pump-down-receiver' }));
  expect(refused.status).toBe(422);
  expect(refused.body.errors[0]).toMatchObject({ pointer: '/plan/why' });
  const { status } = await decide(
    current.id,
    current.version,
    plan(current.system.factsVersion, { proposed: 'pump-down-receiver', why: 'the owner wants it weighed' }),
  );
  expect(status).toBe(201);
});

test('two people who keep a plan at once: one is told', async () => {
  const current = await opened('Lighthouse');
  const both = await Promise.all([
    decide(current.id, current.version, plan(current.system.factsVersion)),
    decide(current.id, current.version, plan(current.system.factsVersion)),
  ]);
  expect(both.map(({ status }) => status).sort()).toEqual([201, 409]);
});

test('a closed visit is not planned any more', async () => {
  const current = await opened('Bell foundry');
  const nothing = await add(current.id, { kind: 'closed', version: current.version });
  expect([nothing.status, nothing.body.code, nothing.body.errors[0].pointer]).toEqual([422, 'reason-missing', '/why']);
  const { body } = await add(current.id, { kind: 'closed', version: current.version, why: 'nobody was there' });
  expect(visit.parse(body).state).toBe('closed');
  expect((await decide(current.id, current.version + 1, plan(current.system.factsVersion))).body.detail).toContain('closed');
});

test('an open visit is moved to another day, once by one person, and a closed one is not', async () => {
  const current = await opened('Bell foundry');
  const move = (day: string, version: number) => add(current.id, { kind: 'moved', version, day });
  expect(visit.parse((await move('2026-12-03', current.version)).body)).toMatchObject({ day: '2026-12-03', version: current.version + 1 });
  expect((await move('2026-12-04', current.version)).body.code).toBe('changed-meanwhile');
  expect((await move('', current.version + 1)).body.errors[0]).toMatchObject({ pointer: '/day', detail: 'The day is missing.' });
  await add(current.id, { kind: 'closed', version: current.version + 1, why: 'called off' });
  expect((await move('2026-12-05', current.version + 2)).body.detail).toContain('closed');
});

test.each([
  [{ reason: ' ' }, 422],
  [{ day: 'tomorrow' }, 422],
  [{ system: '00000000-0000-4000-8000-000000000000' }, 404],
])('a visit with %j is refused', async (change, status) => {
  const { id: system } = await systemAt('Print works');
  const answer = await house.send('POST', '/api/visits', {
    key: randomUUID(),
    system,
    day: '2026-11-26',
    reason: 'x',
    recordedBy: 'y',
    ...change,
  });
  expect(answer.status).toBe(status);
  expect(answer.body.detail.length).toBeGreaterThan(5);
});

test('visits come with the latest day first', async () => {
  const { body } = await house.get('/api/visits');
  const days = (body as Visit[]).map(({ day }) => day);
  expect(days.length).toBeGreaterThan(4);
  expect(days).toEqual([...days].sort().reverse());
});

test('what was read at a step stays with the visit, in order, and once however often it is sent', async () => {
  const { id } = await opened('Cheese cave');
  const reading = (text: string) => ({ ...said(), kind: 'read', step: 'watch-suction', text });
  const twice = reading('4 psig');
  await add(id, twice);
  await add(id, twice);
  const { status, body } = await add(id, reading('1 psig'));
  expect(status).toBe(201);
  expect(visit.parse(body).readings.map(({ text }) => text)).toEqual(['4 psig', '1 psig']);
  expect((await add(id, reading('  '))).body.errors[0].detail).toBe('Write what was read.');
  expect((await add(id, { ...twice, text: '2 psig' })).body.code).toBe('key-reused');
  await expect(sql`update visit_event set kind = 'closed'`.execute(house.db)).rejects.toThrow(/permission denied/);
});

test('two people write into one look, and what each has seen stays', async () => {
  const { id } = await opened('Cheese cave');
  await Promise.all([
    add(id, { kind: 'looked', look: { standing: { text: '88', unit: 'psig' } } }),
    add(id, { kind: 'looked', look: { failed: 'evaporator', leaks: true } }),
  ]);
  const { body } = await house.get(`/api/visits/${id}`);
  expect(visitWithEvents.parse(body).look).toEqual({ standing: { text: '88', unit: 'psig' }, failed: 'evaporator', leaks: true });
  expect((await add(id, { kind: 'looked', look: {} })).body.errors[0].detail).toBe('Nothing was seen.');
});

test('the record of a visit is what its events make of it', async () => {
  const { id, version, system } = await opened('Planetarium');
  await add(id, { kind: 'looked', look: { ambient: { text: '84', unit: 'F' } } });
  await decide(id, version + 1, plan(system.factsVersion));
  await add(id, { kind: 'marked', stage: 'repair', mark: 'done', why: 'flare made anew' });
  await add(id, { kind: 'marked', stage: 'repair', mark: 'open-again', why: '' });
  await add(id, { kind: 'moved', version: version + 4, day: '2026-11-28' });
  await add(id, { kind: 'closed', version: version + 5 });
  await add(id, { kind: 'reopened', why: 'it leaks again' });
  const { events, ...own } = visitWithEvents.parse((await house.get(`/api/visits/${id}`)).body);
  expect(events.map(({ kind }) => kind)).toEqual(['opened', 'looked', 'planned', 'marked', 'marked', 'moved', 'closed', 'reopened']);
  expect(own).toMatchObject(recordOf(events));
  expect(own).toMatchObject({ state: 'open', day: '2026-11-28', marked: [{ stage: 'repair', mark: 'open-again' }] });
});

test('a stage is not needed only with its reason, and a closed visit is opened again only with one', async () => {
  const { id, version } = await opened('Print works');
  const refused = await add(id, { kind: 'marked', stage: 'recharge', mark: 'not-needed', why: ' ' });
  expect(refused.body.errors[0]).toMatchObject({ pointer: '/why' });
  expect((await add(id, { kind: 'reopened', why: 'x' })).body.detail).toBe('This visit is open.');
  await add(id, { kind: 'closed', version, why: 'called off' });
  expect((await add(id, { kind: 'looked', look: { leaks: true } })).body.detail).toContain('closed');
  expect((await add(id, { kind: 'reopened', why: '' })).status).toBe(422);
});

test('what happens later than now is refused', async () => {
  const { id } = await opened('Print works');
  const refused = await add(id, { kind: 'looked', look: { leaks: true }, happenedAt: '2026-11-27T07:50:00Z' });
  expect(refused.status).toBe(422);
});

test('a transfer counts to its visit until it is reversed, and not to a visit of another system', async () => {
  const [own, other] = [await opened('Planetarium'), await opened('Lighthouse')];
  const wrong = await house.send('POST', '/api/transfers', await transferOf(house, 1, { visit: other.id }));
  expect(wrong.body).toMatchObject({ code: 'other-visit', errors: [{ pointer: '/visit' }] });
  const booked = await house.send('POST', '/api/transfers', await transferOf(house, 1.5, { visit: own.id }));
  expect(booked.body.movement.visit).toBe(own.id);
  const recovered = async () => ((await house.get('/api/visits')).body as Visit[]).find(({ id }) => id === own.id)!.recovered;
  expect(await recovered()).toEqual({ bookings: 1, massKg: 1.5 });
  await house.send('POST', `/api/movements/${booked.body.movement.id}/reversal`, {
    key: randomUUID(),
    recordedBy: 'Ines Marrow',
    note: 'wrong scale',
  });
  expect(await recovered()).toEqual({ bookings: 0, massKg: 0 });
});
