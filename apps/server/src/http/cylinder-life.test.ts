import { sql } from 'kysely';
import { cylinder } from '@hygromet/contract/cylinder';
import { cylinderEvent } from '@hygromet/contract/cylinder-event';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { bubblePoint } from '@hygromet/core/thermo/saturation';
import { celsius } from '@hygromet/core/units/temperature';
import { randomUUID } from 'node:crypto';
import { accountNamed, cylinderNamed, openHouse, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

const happened = (more: object) => ({ key: randomUUID(), happenedAt: '2026-11-24T09:00:00Z', recordedBy: 'Tobin Wake', ...more });
const record = async (name: string, event: object) =>
  house.send('POST', `/api/cylinders/${(await cylinderNamed(house, name)).id}/events`, happened(event));
const evacuated = { what: 'evacuated', pressurePa: 40, gauge: 'micron gauge 2', typed: { text: '300', unit: 'micron' } };

test('a life: registered, evacuated and proved, filled, sent to the reclaimer, evacuated again, labelled anew, out of use', async () => {
  const made = await house.send('POST', '/api/cylinders', {
    key: randomUUID(),
    name: 'L-01',
    volumeM3: 0.0216,
    tareKg: 12.6,
    servicePressurePa: 2.76e6,
    requalified: '2025-01',
    place: 'van',
  });
  const { id } = made.body;
  let happenedAt = '2026-11-24T09:00:00Z';
  const send = (event: object) => house.send('POST', `/api/cylinders/${id}/events`, happened({ happenedAt, ...event }));
  expect((await send(evacuated)).body.vacuum).toEqual({ pressurePa: 40, gauge: 'micron gauge 2', provedBy: 'Tobin Wake' });
  const [system, reclaimer] = [await accountNamed(house, 'Planetarium, rooftop unit'), await accountNamed(house, 'Reclaimer')];
  const weights = { key: randomUUID(), cylinder: id, happenedAt: '2026-11-25T07:40:00Z', recordedBy: 'Ines Marrow' };
  await house.send('POST', '/api/transfers', { ...weights, from: system.id, grossBeforeKg: 12.6, grossAfterKg: 16.6 });
  const filled = cylinder.parse((await house.get(`/api/cylinders/${id}`)).body);
  expect(filled).toMatchObject({ refrigerant: 'R-410A', contentKg: 4, evacuatedAt: null, vacuum: null });
  expect((await send({ what: 'relabelled', refrigerant: 'R-22', kind: 'recovery' })).body.detail).toMatch(/4\.00 kg in L-01/);
  const out = { ...weights, key: randomUUID(), to: reclaimer.id, grossBeforeKg: 16.6, grossAfterKg: 12.6 };
  expect((await house.send('POST', '/api/removals', out)).status).toBe(201);
  expect((await house.send('POST', '/api/removals', out)).body.repeated).toBe(true);
  expect((await house.send('POST', '/api/removals', { ...out, note: 'another' })).body.code).toBe('key-reused');
  const sent = cylinder.parse((await house.get(`/api/cylinders/${id}`)).body);
  expect(sent).toMatchObject({ place: 'reclaimer', contentKg: 0, evacuatedAt: null });
  expect((await send({ what: 'relabelled', refrigerant: null, kind: 'recovery' })).body.detail).toMatch(/Evacuate it first/);
  const early = await send(evacuated);
  expect(early.body.errors).toEqual([
    { pointer: '/happenedAt', detail: expect.stringContaining('still in use: the last entry in its ledger is from 2026-11-25 07:40 UTC') },
  ]);
  happenedAt = '2026-11-25T07:50:00Z';
  await send(evacuated);
  expect((await send({ what: 'relabelled', refrigerant: null, kind: 'burn-out' })).body).toMatchObject({
    refrigerant: null,
    marks: { kind: 'burn-out' },
  });
  expect((await send({ what: 'retired', reason: 'dent at the foot ring' })).body.retiredAt).toBe('2026-11-25T07:50:00.000Z');
  const { body } = await house.get(`/api/cylinders/${id}/events`);
  expect(body.map((entry: unknown) => cylinderEvent.parse(entry).what)).toEqual(['retired', 'relabelled', 'evacuated', 'evacuated']);
});

test('air is computed here from pressure and temperature, kept with the version that computed it, and flagged', async () => {
  const pascal = bubblePoint(refrigerant('R-410A').composition, celsius(25)).p;
  const check = (pressurePa: number) => ({ what: 'air-checked', pressurePa, temperatureK: celsius(25), gaugePa: 5000, thermometerK: 0.3 });
  const { body } = await record('C-07', check(pascal / 0.92));
  expect(body.airShare).toBeCloseTo(0.08, 6);
  expect(body.flags).toContain('non-condensables');
  // what the instruments cannot tell changes nothing
  expect((await record('C-07', check(pascal * 1.01))).body.airShare).toBeCloseTo(0.08, 6);
  const [latest] = (await house.get(`/api/cylinders/${body.id}/events`)).body;
  expect(latest.detail).toMatchObject({ check: { finding: 'cannot-tell' }, coreVersion: expect.any(String) });
  expect((await record('C-04', check(pascal))).body).toMatchObject({ code: 'content-unknown' });
});

test('the demo knows one cylinder with air in it', async () => {
  expect((await cylinderNamed(house, 'C-08')).flags).toContain('non-condensables');
});

test('a stamp of the future is asked back; a later stamp ends what was overdue', async () => {
  const refused = await record('C-06', { what: 'requalified', stamp: '2027-03' });
  expect(refused.body).toMatchObject({
    code: 'invalid-input',
    errors: [{ pointer: '/stamp', detail: expect.stringContaining('03-27 is in the future') }],
  });
  const { body } = await record('C-06', { what: 'requalified', stamp: '2026-10' });
  expect(body).toMatchObject({ validThrough: '2031-10' });
  expect(body.flags).not.toContain('overdue');
});

test('a tare that the scale does not confirm is flagged, and only an empty cylinder is weighed for it', async () => {
  expect((await record('C-04', { what: 'tare-weighed', tareKg: 8.4 })).body.flags).toContain('wrong-tare');
  expect((await record('C-07', { what: 'tare-weighed', tareKg: 7.8 })).body).toMatchObject({ code: 'not-empty' });
});

test('marks are described anew and a regime of other years moves its date', async () => {
  const marks = { kind: 'clean', owner: 'Cheese cave', flammableRated: true, ports: 'one', validYears: 10 };
  const { body } = await record('C-11', { what: 'described', marks });
  expect(body).toMatchObject({ marks, validThrough: '2036-02' });
  await house.send('POST', `/api/cylinders/${body.id}/events`, happened({ what: 'moved', place: 'van' }));
  expect((await cylinderNamed(house, 'C-11')).place).toBe('van');
});

test('what is recorded has happened: a time to come is asked back wherever it is sent, and nothing is kept', async () => {
  const { id, tareKg, contentKg } = await cylinderNamed(house, 'C-07');
  const [system, reclaimer] = [await accountNamed(house, 'Planetarium, rooftop unit'), await accountNamed(house, 'Reclaimer')];
  const base = { key: randomUUID(), happenedAt: '2026-11-25T08:11:00Z', recordedBy: 'Tobin Wake' }; // the clock of the tests says 08:00
  const [now, less, more] = [tareKg + contentKg, tareKg + contentKg - 0.1, tareKg + contentKg + 0.1];
  const sendings: [string, object][] = [
    ['/api/transfers', { ...base, cylinder: id, from: system.id, grossBeforeKg: now, grossAfterKg: more }],
    ['/api/removals', { ...base, cylinder: id, to: reclaimer.id, grossBeforeKg: now, grossAfterKg: less }],
    [`/api/cylinders/${id}/weighings`, { ...base, grossKg: more }],
    [`/api/cylinders/${id}/events`, { ...base, what: 'moved', place: 'workshop' }],
    ['/api/cylinders/moves', { place: 'workshop', cylinders: [{ id, key: randomUUID() }], happenedAt: base.happenedAt, recordedBy: 'T' }],
  ];
  for (const [path, body] of sendings) {
    const { body: answer } = await house.send('POST', path, body);
    expect([path, answer.errors]).toEqual([path, [{ pointer: '/happenedAt', detail: expect.stringContaining('cannot be in the future') }]]);
  }
  expect(await cylinderNamed(house, 'C-07')).toMatchObject({ contentKg, place: 'van' });
});

test('a test pressure that is not above the service pressure was misread', async () => {
  const { servicePressurePa } = await cylinderNamed(house, 'C-11');
  const marks = { kind: 'recovery', flammableRated: false, ports: 'one', validYears: 5, testPressurePa: servicePressurePa };
  const { body } = await record('C-11', { what: 'described', marks });
  expect(body.errors).toEqual([{ pointer: '/marks/testPressurePa', detail: expect.stringContaining('Read both again') }]);
});

test.each([
  [{ what: 'evacuated', pressurePa: 5000, gauge: 'g' }, /no vacuum a cylinder can be filled from/],
  [{ what: 'evacuated', pressurePa: 40, gauge: ' ' }, /Give the gauge/],
  [{ what: 'retired', reason: '' }, /Give the reason/],
  [{ what: 'dropped' }, /./],
])('%j is refused with its sentence', async (event, sentence) => {
  const { status, body } = await record('C-04', event);
  expect(status).toBe(422);
  expect(body.detail).toMatch(sentence);
});

test('an evacuation that is sent again after the cylinder was filled is still that evacuation', async () => {
  const { id } = await cylinderNamed(house, 'C-15');
  const event = happened(evacuated);
  const send = () => house.send('POST', `/api/cylinders/${id}/events`, event);
  await send();
  const system = await accountNamed(house, 'Planetarium, rooftop unit');
  const current = await cylinderNamed(house, 'C-15');
  const weights = {
    grossBeforeKg: current.tareKg,
    grossAfterKg: current.tareKg + 1,
    happenedAt: '2026-11-25T07:40:00Z',
    recordedBy: 'Ines Marrow',
  };
  await house.send('POST', '/api/transfers', { key: randomUUID(), cylinder: id, from: system.id, ...weights });
  const again = await send();
  expect(again.status).toBe(201);
  expect(again.body).toMatchObject({ contentKg: 1, evacuatedAt: null });
});

test('an event sent twice is one, and none is ever changed', async () => {
  const event = happened({ what: 'moved', place: 'workshop' });
  const { id } = await cylinderNamed(house, 'C-12');
  await house.send('POST', `/api/cylinders/${id}/events`, event);
  await house.send('POST', `/api/cylinders/${id}/events`, event);
  expect((await house.get(`/api/cylinders/${id}/events`)).body).toHaveLength(1);
  await expect(sql`update cylinder_event set note = 'x'`.execute(house.db)).rejects.toThrow(/permission denied/);
});

describe('what leaves a cylinder', () => {
  const removal = async (more: object) => {
    const [own, air] = [await cylinderNamed(house, 'C-02'), await accountNamed(house, 'Lost to the air')];
    const before = own.tareKg + own.contentKg;
    return {
      key: randomUUID(),
      cylinder: own.id,
      to: air.id,
      grossBeforeKg: before,
      grossAfterKg: before - 0.2,
      happenedAt: '2026-11-25T07:00:00Z',
      recordedBy: 'Ines Marrow',
      ...more,
    };
  };
  test('is booked by the scale, also into the air', async () => {
    const { body } = await house.send('POST', '/api/removals', await removal({}));
    expect(body.movement).toMatchObject({ massKg: expect.closeTo(0.2, 9), to: { kind: 'air' }, refrigerant: 'R-448A' });
  });
  test.each([
    [{ grossAfterKg: 40 }, 'got-heavier', /did not decrease/],
    [{ grossAfterKg: 3 }, 'below-tare', /below the tare/],
    [{ to: '00000000-0000-4000-8000-000000000000' }, 'not-found', /Choose where it goes/],
  ])('%j is refused', async (wrong, code, sentence) => {
    const { body } = await house.send('POST', '/api/removals', await removal(wrong));
    expect(body.code).toBe(code);
    expect(body.detail).toMatch(sentence);
  });
});
