import { openHouse, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

const compute = (body: object) => house.send('POST', '/api/compute', body);
const unit = { refrigerant: 'R-410A', kind: 'split', metering: 'txv', capacityW: 10_550, plateKg: 3.2 };
const conditions = { outdoorK: 308.15, indoorK: 299.82, indoorWetBulbK: 292.59 };

test('a cycle closes its energy and its charge, and less charge is less subcooling', async () => {
  const { body: right } = await compute({ op: 'cycle', ...unit, ...conditions });
  const { body: short } = await compute({ op: 'cycle', ...unit, ...conditions, chargeShare: 0.9 });
  expect(right.balance.energy).toBeLessThan(1e-6);
  expect(right.balance.charge).toBeLessThan(1e-6);
  expect(right.subcoolingK).toBeCloseTo(5.6, 0);
  expect(short.subcoolingK).toBeLessThan(right.subcoolingK - 3);
});

test('what a cycle reads is judged by the check as what it is', async () => {
  const ask = async (chargeShare: number, faults = {}) => {
    const { body: own } = await compute({ op: 'cycle', ...unit, ...conditions, chargeShare, faults });
    const { body: full } = await compute({ op: 'saturation' });
    expect(full.code).toBe('invalid-input');
    return own as { headPa: number; suctionPa: number; superheatK: number; subcoolingK: number; splitK: number };
  };
  const current = await ask(1);
  const readings = {
    headPa: current.headPa,
    suctionPa: current.suctionPa,
    suctionLineK: 285.5,
    liquidLineK: 314,
    supplyK: conditions.indoorK - current.splitK,
  };
  const { status, body } = await compute({ op: 'runningCheck', unit, conditions, readings });
  expect(status).toBe(200);
  expect(body.explanations.reduce((sum: number, { probability }: { probability: number }) => sum + probability, 0)).toBeCloseTo(1, 6);
  expect(body.expected.head.low).toBeLessThan(current.headPa);
  expect(body.next.length).toBeGreaterThan(3);
});

test('what has no steady state says so instead of a number', async () => {
  const { status, body } = await compute({ op: 'cycle', ...unit, outdoorK: 350, indoorK: 299.82, indoorWetBulbK: 292.59 });
  expect([status, body.code]).toEqual([422, 'no-steady-state']);
  expect(body.detail).toMatch(/trip on high pressure|no steady state/);
});

test.each([
  ['a suction above the head', { headPa: 9e5, suctionPa: 2.8e6, suctionLineK: 285, liquidLineK: 310 }, 'suction-above-head'],
  ['liquid warmer than condensing', { headPa: 2.8e6, suctionPa: 1e6, suctionLineK: 288, liquidLineK: 330 }, 'liquid-above-condensing'],
])('%s is a slip, and nothing is advised', async (_, readings, slip) => {
  const { body } = await compute({ op: 'runningCheck', unit, conditions, readings });
  expect(body.slips).toContain(slip);
  expect([body.advice, body.withheld, body.changeKg]).toEqual(['cannot-tell', 'slip', 0]);
});

test('a unit without a plate, and a reading that is none, are refused', async () => {
  expect((await compute({ op: 'runningCheck', unit: { ...unit, plateKg: 0 }, conditions, readings: {} })).status).toBe(422);
  expect((await compute({ op: 'runningCheck', unit, conditions, readings: { headPa: -5 } })).status).toBe(422);
  expect((await compute({ op: 'cycle', ...unit, refrigerant: 'R-9999', ...conditions })).body.code).toBe('unknown-refrigerant');
});

test('with a series it is settled once its last four minutes are level, and never by too few readings', async () => {
  const readings = { headPa: 2.75e6, suctionPa: 9.9e5, suctionLineK: 285.5, liquidLineK: 314, supplyK: 289 };
  const at = (superheatK: (t: number) => number, count = 12) =>
    Array.from({ length: count }, (_, k) => ({ atS: 30 * k, superheatK: superheatK(30 * k), subcoolingK: 5 }));
  const settled = async (series: object[]) => (await compute({ op: 'runningCheck', unit, conditions, readings, series })).body.settled;
  expect(await settled(at(() => 6))).toBe(true);
  expect(await settled(at((t) => 6 + t / 60))).toBe(false);
  expect(await settled(at(() => 6, 2))).toBe(false);
});
