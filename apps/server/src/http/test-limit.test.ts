import { circuitRecord } from '@hygromet/contract/plan-facts';
import { visit } from '@hygromet/contract/visit';
import { circuitOf } from '@hygromet/core/circuit/circuit-of';
import { sectionId } from '@hygromet/core/circuit/section-id';
import { sectionsOf } from '@hygromet/core/circuit/sections';
import fc from 'fast-check';
import { randomUUID } from 'node:crypto';
import { openHouse, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

/** A visit to a system whose weakest part bears 2 MPa, or of which nothing is recorded. */
async function visitTo(site: string, limits: readonly object[]) {
  const { body: systems } = await house.get('/api/systems');
  const system = (systems as { id: string; site: string; version: number; facts: object }[]).find((entry) => entry.site === site)!;
  const facts = { ...system.facts, limits };
  await house.send('PUT', `/api/systems/${system.id}/facts`, { version: system.version, facts, recordedBy: 'Jory Quill' });
  const { body } = await house.send('POST', '/api/visits', {
    key: randomUUID(),
    system: system.id,
    day: '2026-11-26',
    reason: 'no cooling',
    recordedBy: 'Ines Marrow',
  });
  return visit.parse(body).id;
}
const LIMITS = [
  { what: 'suction sensor', part: 'suction-line', gaugePa: 2e6 },
  { what: 'head sensor', part: 'discharge-line', gaugePa: 4e6 },
];

const begin = (id: string, setGaugePa: number, mostGaugePa: number | null, more: object = {}) =>
  house.send('POST', `/api/visits/${id}/events`, {
    key: randomUUID(),
    happenedAt: '2026-11-25T07:50:00Z',
    recordedBy: 'Ines Marrow',
    kind: 'test-begun',
    testId: randomUUID(),
    setUp: {
      test: 'hold',
      volumeM3: 0.01,
      setGaugePa,
      stepPa: 700,
      spanPa: 5.5e6,
      clamp: true,
      filledAt: '2026-11-25T07:40:00Z',
      oilM3: 0,
      refrigerantMayRemain: false,
      tightTo: 0.01,
      startHour: 8,
      atmospherePa: 101_325,
      mostGaugePa,
      ruling: mostGaugePa === null ? null : 'suction sensor',
      ...more,
    },
  });

test('whatever a page says the limit is, no test is begun above the weakest recorded part', async () => {
  const id = await visitTo('Planetarium', LIMITS);
  await fc.assert(
    fc.asyncProperty(fc.double({ min: 2_000_001, max: 5.5e6, noNaN: true }), async (setGaugePa) => {
      const { status, body } = await begin(id, setGaugePa, setGaugePa + 1000);
      expect([status, body.errors?.[0]?.pointer]).toEqual([422, '/setUp/setGaugePa']);
      expect(body.detail).toContain('the suction sensor is rated for');
    }),
    { numRuns: 20 },
  );
});

test('a limit that is on record and was not computed keeps the test from being begun', async () => {
  const id = await visitTo('Bell foundry', LIMITS);
  const { status, body } = await begin(id, 1e6, null);
  expect(status).toBe(422);
  expect(body.detail).toMatch(/suction sensor has a pressure limit on record.* Measure the outdoor temperature/);
  expect((await begin(id, 1e6, 1.8e6)).status).toBe(201);
});

test('where nothing is recorded a person has read the plates', async () => {
  const id = await visitTo('Print works', []);
  expect((await begin(id, 1e6, null)).status).toBe(201);
});

test('a part behind valves that were proved does not count, and counts until they are', async () => {
  const id = await visitTo('Bell foundry', [{ what: 'outdoor coil', part: 'condenser', gaugePa: 1e6 }]);
  const system = ((await house.get('/api/systems')).body as (Parameters<typeof circuitRecord>[0] & { site: string })[]).find(
    ({ site }) => site === 'Bell foundry',
  )!;
  const sections = sectionsOf(circuitOf(circuitRecord(system)), {});
  const tested = sectionId(sections.find(({ components }) => components.includes('evaporator'))!);
  expect((await begin(id, 2e6, 2e6, { tested })).status).toBe(422);
  const held = { kind: 'joint-checked', key: randomUUID(), happenedAt: '2026-11-25T07:45:00Z', recordedBy: 'Ines Marrow' };
  await house.send('POST', `/api/visits/${id}/events`, { ...held, joint: tested, check: 'hold', finding: 'tight' });
  expect((await begin(id, 2e6, 2e6)).status).toBe(422);
  expect((await begin(id, 2e6, 2e6, { tested })).status).toBe(201);
});
