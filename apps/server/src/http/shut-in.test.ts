import { randomUUID } from 'node:crypto';
import { environment, openHouse, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

test('a shut-in takes readings of its own kind, and its finding', async () => {
  const { body: visits } = await house.get('/api/visits');
  const id = visits[0].id as string;
  const testId = randomUUID();
  const happenedAt = environment.now().toISOString();
  const add = (event: object) =>
    house.send('POST', `/api/visits/${id}/events`, { key: randomUUID(), happenedAt, recordedBy: 'Ines Marrow', ...event });
  expect((await add({ kind: 'test-begun', testId, setUp: { test: 'shut-in', levelPa: 101_325 } })).status).toBeLessThan(300);
  expect((await add({ kind: 'test-read', testId, reading: { micron: 400 } })).body).toMatchObject({ code: 'invalid-input' });
  expect((await add({ kind: 'test-read', testId, reading: { shutInPa: -5 } })).status).toBe(422);
  expect((await add({ kind: 'test-read', testId, reading: { shutInPa: 120_000 } })).status).toBeLessThan(300);
  const finding = { verdict: 'passed', said: 'It stands above the level.', coreVersion: '0' };
  const { body } = await add({ kind: 'test-ended', testId, finding });
  expect(body.tests.at(-1)).toMatchObject({ readings: [{ reading: { shutInPa: 120_000 } }], ended: { finding } });
});

test('a pump-down that was watched to its end is what its stage lacked', async () => {
  const { body: visits } = await house.get('/api/visits');
  const id = visits[1].id as string;
  const testId = randomUUID();
  const happenedAt = environment.now().toISOString();
  const add = (event: object) =>
    house.send('POST', `/api/visits/${id}/events`, { key: randomUUID(), happenedAt, recordedBy: 'Ines Marrow', ...event });
  const setUp = { test: 'pump-down', endPa: 115_000, highSwitchPa: 4_200_000 };
  expect((await add({ kind: 'test-begun', testId, setUp })).status).toBeLessThan(300);
  expect((await add({ kind: 'test-read', testId, reading: { shutInPa: 120_000 } })).body).toMatchObject({ code: 'invalid-input' });
  expect((await add({ kind: 'test-read', testId, reading: { headPa: 2e6 } })).status).toBe(422);
  const reading = { suctionPa: 110_000, headPa: 2_000_000 };
  expect((await add({ kind: 'test-read', testId, reading })).status).toBeLessThan(300);
  const finding = { verdict: 'reached', said: 'The suction is down.', coreVersion: '0' };
  const { body } = await add({ kind: 'test-ended', testId, finding });
  expect(body.tests.at(-1)).toMatchObject({ setUp, readings: [{ reading }], ended: { finding } });
});
