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
