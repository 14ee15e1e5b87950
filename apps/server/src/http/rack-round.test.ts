import { randomUUID } from 'node:crypto';
import { cylinderNamed, openHouse, transferOf, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

const weighedIn = async (name: string, moreKg: number, more: object = {}) => {
  const { id, tareKg, contentKg } = await cylinderNamed(house, name);
  const event = {
    key: randomUUID(),
    happenedAt: '2026-11-25T07:00:00Z',
    recordedBy: 'Tobin Wake',
    what: 'weighed-in',
    grossKg: tareKg + contentKg + moreKg,
    scaleOffKg: 0.05,
    difference: { is: 'none' },
    ...more,
  };
  return { event, answer: await house.send('POST', `/api/cylinders/${id}/events`, event), id };
};
const moves = (cylinders: readonly { id: string; key: string }[], place: string) =>
  house.send('POST', '/api/cylinders/moves', { place, cylinders, happenedAt: '2026-11-25T07:00:00Z', recordedBy: 'Tobin Wake' });

describe('a round with the scale', () => {
  test('what agrees to the scale is noted with its time, and nothing is booked', async () => {
    const before = await cylinderNamed(house, 'C-07');
    const { answer } = await weighedIn('C-07', 0.03);
    expect(answer.body).toMatchObject({ weighedInAt: '2026-11-25T07:00:00.000Z', contentKg: before.contentKg });
  });

  test('a difference beyond the scale has a reason or is booked; it is never passed over', async () => {
    const { answer } = await weighedIn('C-03', -0.6);
    expect([answer.status, answer.body.code]).toEqual([409, 'difference-open']);
    expect(answer.body.detail).toBe(
      'Scale and ledger differ by 0.60 kg, and the scale is accurate to ±0.05 kg. Give the reason, or log the difference.',
    );
    expect((await cylinderNamed(house, 'C-03')).weighedInAt).toBeNull();
  });

  test('an explained difference leaves the ledger, a booked one brings it to the scale, once', async () => {
    const before = await cylinderNamed(house, 'C-03');
    await weighedIn('C-03', 0.4, { difference: { is: 'explained', reason: 'ice on it' } });
    expect((await cylinderNamed(house, 'C-03')).contentKg).toBe(before.contentKg);
    const { event, id } = await weighedIn('C-03', -0.6, { difference: { is: 'booked' } });
    await house.send('POST', `/api/cylinders/${id}/events`, event);
    const after = await cylinderNamed(house, 'C-03');
    expect(after.contentKg).toBeCloseTo(before.contentKg - 0.6, 9);
    const { body: entries } = await house.get(`/api/movements?account=${id}`);
    expect(entries[0]).toMatchObject({ known: 'weighed', note: 'difference between scale and ledger' });
    const { body: events } = await house.get(`/api/cylinders/${id}/events`);
    expect(events.map(({ detail }: { detail: { difference?: { is: string } } }) => detail.difference?.is)).toEqual(['booked', 'explained']);
  });

  test('a cylinder that is found heavier is no longer evacuated; one that is found empty is not evacuated either', async () => {
    const empty = (await house.get('/api/cylinders')).body.find(
      (entry: { evacuatedAt: string | null; refrigerant: string | null }) => entry.evacuatedAt !== null && entry.refrigerant === null,
    );
    expect((await weighedIn(empty.name, 1, { difference: { is: 'booked' } })).answer.body.code).toBe('content-unknown');
    const full = await cylinderNamed(house, 'C-02');
    await weighedIn('C-02', -full.contentKg, { difference: { is: 'booked' } });
    expect(await cylinderNamed(house, 'C-02')).toMatchObject({ contentKg: 0, evacuatedAt: null });
  });

  test('below its tare it can be explained, never booked', async () => {
    const { contentKg } = await cylinderNamed(house, 'C-09');
    const low = -contentKg - 0.5;
    expect((await weighedIn('C-09', low, { difference: { is: 'booked' } })).answer.body.code).toBe('below-tare');
    const said = { difference: { is: 'explained', reason: 'the collar was read wrong' } };
    expect((await weighedIn('C-09', low, said)).answer.status).toBe(201);
  });
});

describe('several cylinders are put in one place', () => {
  test('those that stand elsewhere are moved, with an event each; the same sending moves nothing twice', async () => {
    const all: { id: string; place: string }[] = (await house.get('/api/cylinders')).body;
    const chosen = all.map(({ id }) => ({ id, key: randomUUID() }));
    const elsewhere = all.filter(({ place }) => place !== 'workshop');
    expect((await moves(chosen, 'workshop')).body).toEqual({ moved: elsewhere.length });
    const first = elsewhere[0]!;
    const { body: events } = await house.get(`/api/cylinders/${first.id}/events`);
    expect(events[0]).toMatchObject({ what: 'moved', detail: { place: 'workshop', from: first.place }, recordedBy: 'Tobin Wake' });
    await moves([{ id: first.id, key: randomUUID() }], 'van');
    // a late repetition does not fetch it back
    expect((await moves(chosen, 'workshop')).body).toEqual({ moved: 0 });
    expect((await house.get(`/api/cylinders/${first.id}`)).body.place).toBe('van');
  });

  test.each([
    [[], 'Choose at least one cylinder.'],
    [[{ id: 'C-07', key: randomUUID() }], 'This id is not a UUID.'],
  ])('a wrong choice %j answers with its sentence', async (chosen, sentence) => {
    expect((await moves(chosen, 'van')).body.detail).toContain(sentence);
  });
});

test('the reading at which the valve was to be shut stays with the transfer, as the person saw it', async () => {
  const target = { grossKg: 17.46, rule: 'not-liquid-full-131F', limitGrossKg: 17.59, shown: { text: '38.5', unit: 'lb' } };
  const { body } = await house.send('POST', '/api/transfers', await transferOf(house, 0.2, { target }));
  expect(body.movement.target).toEqual(target);
});
