import { cylinderNamed, openHouse, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

const calendar = async () => {
  const answer = await house.request('/api/calendar.ics');
  expect(answer.headers.get('content-type')).toBe('text/calendar; charset=utf-8');
  // folded lines are one line (RFC 5545, 3.1)
  return (await answer.text()).replace(/\r\n[ \t]/g, '');
};
const events = (text: string) => text.split('BEGIN:VEVENT').slice(1);

test('every cylinder in use has its requalification on the first day of its last month', async () => {
  const text = await calendar();
  expect(text).toMatch(/^BEGIN:VCALENDAR\r\nVERSION:2\.0/);
  const found = events(text).find((event) => event.includes('SUMMARY:Requalify C-06'))!;
  expect(found).toContain('DTSTART;VALUE=DATE:20260801');
  expect(found).toMatch(/UID:requalify-[\w-]+-2026-08@hygromet/);
  expect(found).toMatch(/DESCRIPTION:Its stamp is good through 08-26\. It holds \d+\.\d kg/);
});

test('a cylinder that rests full is to be sent in after a quarter, one with little in it is not', async () => {
  const text = await calendar();
  const found = events(text).find((event) => event.includes('SUMMARY:Send C-05 in'))!;
  expect(found).toContain('DTSTART;VALUE=DATE:20270222');
  expect(found).toContain('DTEND;VALUE=DATE:20270223');
  expect(text).not.toContain('SUMMARY:Send C-08 in');
});

test('what is out of use falls due no more', async () => {
  const { id } = await cylinderNamed(house, 'C-04');
  await house.send('POST', `/api/cylinders/${id}/events`, {
    what: 'retired',
    key: 'a3f1a3c4-0000-4000-8000-000000000001',
    reason: 'dent',
    happenedAt: '2026-11-24T09:00:00Z',
    recordedBy: 'Tobin Wake',
  });
  expect(await calendar()).not.toContain('Requalify C-04');
});

test('a name with the signs of the format stays a name: it adds no line and no event', async () => {
  const before = events(await calendar()).length;
  const { status } = await house.send('POST', '/api/cylinders', {
    key: 'a3f1a3c4-0000-4000-8000-000000000002',
    name: 'C,1;x\\n:END:VEVENT',
    volumeM3: 0.012,
    tareKg: 8,
    servicePressurePa: 2.8e6,
    requalified: '2026-05',
    place: 'van',
  });
  expect(status).toBe(201);
  const text = await calendar();
  expect(events(text)).toHaveLength(before + 1);
  expect(text).toContain('SUMMARY:Requalify C\\,1\\;x\\\\n:END:VEVENT');
});

test('a name of two lines is refused', async () => {
  const { status, body } = await house.send('POST', '/api/cylinders', {
    key: 'a3f1a3c4-0000-4000-8000-000000000003',
    name: 'C-1\r\nEND:VCALENDAR',
    volumeM3: 0.012,
    tareKg: 8,
    servicePressurePa: 2.8e6,
    requalified: '2026-05',
    place: 'van',
  });
  expect([status, body.errors]).toEqual([422, [{ pointer: '/name', detail: expect.stringMatching(/stands on one line/) }]]);
});

test('a hold that was left until Monday is to be read at that hour, and keeps its visit open, until somebody has ended it', async () => {
  const { body: visits } = await house.get('/api/visits');
  const { id, system } = visits.find(
    ({ state, system: { site } }: { state: string; system: { site: string } }) => state === 'open' && site === 'Seed bank',
  );
  const testId = 'a3f1a3c4-0000-4000-8000-0000000000a1';
  const said = (key: string) => ({
    key: `a3f1a3c4-0000-4000-8000-0000000000${key}`,
    happenedAt: '2026-11-25T07:50:00Z',
    recordedBy: 'Tobin Wake',
  });
  const add = (event: object) => house.send('POST', `/api/visits/${id}/events`, event);
  const setUp = {
    ...{
      test: 'hold',
      volumeM3: 0.1,
      setGaugePa: 1e6,
      stepPa: 700,
      spanPa: 5.5e6,
      clamp: true,
      filledAt: '2026-11-25T07:40:00Z',
      oilM3: 0,
    },
    ...{ refrigerantMayRemain: false, tightTo: 0.0005, startHour: 8, atmospherePa: 101_325, mostGaugePa: null, ruling: null },
    until: '2026-11-30T07:00:00.000Z',
  };
  expect((await add({ ...said('b1'), kind: 'test-begun', testId, setUp })).status).toBe(201);
  const found = events(await calendar()).find((event) => event.includes(`SUMMARY:Read the nitrogen hold: ${system.site}`))!;
  expect(found).toContain('DTSTART:20261130T070000Z');
  expect(found).toContain(`UID:hold-${testId}@hygromet`);
  const { version } = (await house.get(`/api/visits/${id}`)).body;
  const closed = await add({ ...said('b3'), kind: 'closed', version, why: 'gone' });
  expect([closed.status, closed.body.detail]).toEqual([409, expect.stringContaining('the system is under pressure')]);
  const finding = { verdict: 'tight', said: 'No leak above 0.05 % per hour.', coreVersion: '1' };
  expect((await add({ ...said('b2'), kind: 'test-ended', testId, finding })).status).toBe(201);
  expect(await calendar()).not.toContain('Read the nitrogen hold');
});
