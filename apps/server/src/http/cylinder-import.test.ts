import { randomUUID } from 'node:crypto';
import { cylinderNamed, openHouse, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

const row = (more: object = {}) => ({
  key: randomUUID(),
  name: 'N-01',
  volumeM3: 0.0216,
  tareKg: 12.7,
  servicePressurePa: 2.76e6,
  requalified: '2025-03',
  place: 'workshop',
  ...more,
});
const take = (rows: object[], tryOnly = false) => house.send('POST', '/api/cylinders/import', { rows, tryOnly, recordedBy: 'Ines Marrow' });
const outcomes = (body: { outcomes: { outcome: string }[] }) => body.outcomes.map(({ outcome }) => outcome);

test('new cylinders come in with what the scale shows in them; the same file again changes nothing', async () => {
  const rows = [row(), row({ name: 'N-02', refrigerant: 'R-134a', grossKg: 15.2 })];
  expect((await take(rows)).body).toMatchObject({ kept: true });
  expect((await cylinderNamed(house, 'N-02')).contentKg).toBeCloseTo(2.5, 9);
  expect(outcomes((await take(rows)).body)).toEqual(['unchanged', 'unchanged']);
});

test('of a known cylinder only the place is taken; another collar is refused', async () => {
  expect(outcomes((await take([row({ place: 'van' })])).body)).toEqual(['changed']);
  expect((await cylinderNamed(house, 'N-01')).place).toBe('van');
  const { body } = await take([row({ tareKg: 13.4 })], true);
  expect(body.outcomes[0].detail).toMatch(/N-01 is in the register with another tare \(12\.700 kg here\)/);
});

test('one number twice in a file with two collars is refused at the second', async () => {
  const { body } = await take([row({ name: 'N-03' }), row({ name: 'N-03', tareKg: 9 })]);
  expect([body.kept, ...outcomes(body)]).toEqual([false, 'added', 'refused']);
  expect(await cylinderNamed(house, 'N-03')).toBeUndefined();
});

test('a row whose collar hardly can be so is refused with what to read again, and taken once it says that it was', async () => {
  const odd = row({ name: 'N-04', tareKg: 127 });
  const { body } = await take([odd], true);
  expect(body.outcomes[0]).toMatchObject({ outcome: 'refused', detail: expect.stringMatching(/usually weighs .* empty/) });
  const marks = { kind: 'recovery', flammableRated: false, ports: 'liquid-and-vapour', validYears: 5, confirmed: true };
  expect(outcomes((await take([{ ...odd, marks }])).body)).toEqual(['added']);
});
