import { randomUUID } from 'node:crypto';
import { openHouse, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

/** The first and last bytes of a JPEG with something between. */
const picture = (fill = 7) => Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(400, fill), Buffer.from([0xff, 0xd9])]);
const sent = (more: object = {}) => ({ key: randomUUID(), jpeg: picture().toString('base64'), recordedBy: 'Tobin Wake', ...more });
const send = (body: object) => house.send('POST', '/api/photographs', body);
const aVisit = async (): Promise<string> =>
  (await house.get('/api/visits')).body.find(({ state }: { state: string }) => state === 'open').id;
const name = async (visit: string, photograph: string, more: object = {}) =>
  house.send('POST', `/api/visits/${visit}/events`, {
    kind: 'photographed',
    key: randomUUID(),
    happenedAt: '2026-11-25T07:30:00Z',
    recordedBy: 'Tobin Wake',
    ...{ photograph, place: 'joint:suction', note: '' },
    ...more,
  });

test('a photograph is kept as it was sent, and may be read for ever', async () => {
  const { status, body } = await send(sent());
  expect(status).toBe(201);
  const answer = await house.request(`/api/photographs/${body.id}.jpg`);
  expect(answer.headers.get('content-type')).toBe('image/jpeg');
  expect(answer.headers.get('cache-control')).toContain('immutable');
  expect(Buffer.from(await answer.arrayBuffer()).equals(picture())).toBe(true);
});

test('the same sending twice is one photograph; the same key with another picture is refused', async () => {
  const first = sent();
  const { body } = await send(first);
  expect((await send(first)).body.id).toBe(body.id);
  expect((await send({ ...first, jpeg: picture(9).toString('base64') })).status).toBe(409);
});

test('what is no JPEG, empty, or too large is refused with a sentence', async () => {
  for (const [jpeg, words] of [
    [Buffer.from('<svg onload="x()">'.repeat(20)).toString('base64'), 'Only photographs in JPEG'],
    ['/9j/4AAQ', 'empty'],
    [`/9j/${'A'.repeat(960_000)}`, 'above 700 kB'],
  ] as const) {
    const { status, body } = await send(sent({ jpeg }));
    expect(status).toBe(422);
    expect(JSON.stringify(body)).toContain(words);
  }
});

test('a visit shows it at its place, with who took it; one that is not kept is refused', async () => {
  const visit = await aVisit();
  const { body: kept } = await send(sent());
  const { status, body } = await name(visit, kept.id);
  expect(status).toBe(201);
  expect(body.photographs).toEqual([
    { photograph: kept.id, place: 'joint:suction', note: '', at: '2026-11-25T07:30:00.000Z', by: 'Tobin Wake' },
  ]);
  const refused = await name(visit, randomUUID());
  expect(refused.status).toBe(404);
  expect(refused.body.detail).toContain('send it first');
});

test.each(['nothing.jpg', `${randomUUID()}.png`, `${randomUUID()}.jpg`, '..%2Fapp.jpg'])('%s is no photograph', async (asked) => {
  expect([404, 422]).toContain((await house.request(`/api/photographs/${asked}`)).status);
});
