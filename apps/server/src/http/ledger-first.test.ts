import { cylinder } from '@hygromet/contract/cylinder';
import { booked } from '@hygromet/contract/movement';
import { randomUUID } from 'node:crypto';
import { accountNamed, openHouse, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

const register = async (name: string, more: object = {}) => {
  const collar = { volumeM3: 0.0119, tareKg: 7.8, servicePressurePa: 2.76e6, requalified: '2025-01', place: 'van' };
  const { body } = await house.send('POST', '/api/cylinders', { key: randomUUID(), name, ...collar, ...more });
  return cylinder.parse(body);
};
const fill = async (id: string, refrigerant: string, grossBeforeKg: number, grossAfterKg: number, more: object = {}) => {
  const { id: from } = await accountNamed(house, 'Unexplained');
  const weights = { grossBeforeKg, grossAfterKg, happenedAt: '2026-11-25T07:40:00Z', recordedBy: 'Ines Marrow' };
  return house.send('POST', '/api/transfers', { key: randomUUID(), cylinder: id, from, refrigerant, ...weights, ...more });
};
const now = async (id: string) => cylinder.parse((await house.get(`/api/cylinders/${id}`)).body);

test('liquids that part are booked and flagged, and the rack can still be read', async () => {
  const { id } = await register('P-01', { refrigerant: 'R-717', grossKg: 9.8 });
  const { status, body } = await fill(id, 'R-290', 9.8, 11.8, { acceptMixing: true, note: 'labels were swapped' });
  expect(status).toBe(201);
  expect(booked.parse(body)).toMatchObject({ limits: null, overfilledByKg: null });
  expect(body.movement.against).toEqual(expect.arrayContaining(['other-refrigerant', 'no-limit']));
  const current = await now(id);
  expect(current.contentKg).toBeCloseTo(4, 9);
  expect(current.fillStatus).toMatchObject({ state: 'no-limit', why: expect.stringMatching(/two liquid phases/) });
  expect(current.flags).toEqual(expect.arrayContaining(['mixed', 'no-limit']));
  expect((await house.get('/api/cylinders')).status).toBe(200);
});

test('what nobody has identified is booked as that, and limited as everything that it could be', async () => {
  const { id } = await register('P-02');
  expect((await fill(id, 'unknown', 7.8, 9.8)).status).toBe(201);
  const current = await now(id);
  expect(current).toMatchObject({
    refrigerant: null,
    composition: { unknown: 1 },
    fillStatus: { state: 'limited', ruling: 'unknown-content' },
  });
  // the highest of all stands at 513 psig in the heat: more than this class bears, and it could be that
  expect(current.flags).toEqual(expect.arrayContaining(['mixed', 'pressure-rating-too-low']));
  const more = await fill(id, 'unknown', 9.8, 10.3);
  expect(more.body.code).toBe('would-mix'); // two unknowns are not the same
  expect((await fill(id, 'unknown', 9.8, 12.3, { acceptMixing: true, note: 'second van' })).body.overfilledByKg).toBeGreaterThan(1);
});

test('carbon dioxide is registered and filled by its test pressure; without one it is booked and flagged', async () => {
  const marks = { kind: 'recovery', flammableRated: false, ports: 'one', validYears: 5 };
  const bottle = { volumeM3: 0.01, tareKg: 14, servicePressurePa: 124e5, refrigerant: 'R-744', grossKg: 16 };
  const known = await register('P-03', { ...bottle, marks: { ...marks, stamp: 'un', testPressurePa: 190e5 } });
  expect(known.fillStatus).toMatchObject({ state: 'limited', ruling: 'un-p200' });
  expect(known.flags).toEqual([]);
  const unsaid = await register('P-04', bottle);
  expect(unsaid.fillStatus).toMatchObject({ state: 'no-limit', why: expect.stringMatching(/US or UN/) });
  expect(unsaid.flags).toContain('no-limit');
});

test('a class is judged where no limit can be given', async () => {
  const weak = await register('P-07', { refrigerant: 'R-744', grossKg: 8.8 });
  expect(weak.fillStatus.state).toBe('no-limit');
  expect(weak.flags).toEqual(expect.arrayContaining(['pressure-rating-too-low', 'no-limit']));
});

test('air that a check found counts in the class of the cylinder', async () => {
  const { id } = await register('P-05', { refrigerant: 'R-410A', grossKg: 16.8 });
  const event = { what: 'air-checked', pressurePa: 1.9e6, temperatureK: 298.15, gaugePa: 5000, thermometerK: 0.2 };
  const sent = { key: randomUUID(), happenedAt: '2026-11-25T07:50:00Z', recordedBy: 'Tobin Wake' };
  expect((await house.send('POST', `/api/cylinders/${id}/events`, { ...event, ...sent })).body).toMatchObject({ name: 'P-05' });
  const current = await now(id);
  expect(current.airShare).toBeGreaterThan(0.1);
  expect(current.flags).toEqual(expect.arrayContaining(['non-condensables', 'pressure-rating-too-low']));
});

test('what steel cannot hold is refused for every substance', async () => {
  const { id } = await register('P-06');
  for (const refrigerant of ['R-114', 'R-236ea', 'R-744', 'R-728']) {
    const collar = { volumeM3: 0.0119, tareKg: 7.8, servicePressurePa: 2.76e6, requalified: '2025-01', place: 'van' };
    const answer = await house.send('POST', '/api/cylinders', {
      key: randomUUID(),
      name: `X-${refrigerant}`,
      ...collar,
      refrigerant,
      grossKg: 107.8,
    });
    expect([answer.status, answer.body.code]).toEqual([422, 'more-than-fits']);
  }
  expect((await now(id)).contentKg).toBe(0);
});
