import { problem } from '@hygromet/contract/problem';
import { randomUUID } from 'node:crypto';
import { cylinderNamed, openHouse, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

const life = async () => `/api/cylinders/${(await cylinderNamed(house, 'C-06')).id}/events`;
const happened = async (more: object) =>
  house.send('POST', await life(), {
    key: randomUUID(),
    what: 'moved',
    place: 'workshop',
    happenedAt: '2026-11-25T07:40:00Z',
    recordedBy: 'Ines Marrow',
    ...more,
  });
const told = async () => (await house.get(await life())).body as unknown[];

test('what these attacks start from goes through', async () => {
  const before = await told();
  expect((await happened({ note: 'as it should be' })).status).toBe(201);
  expect(await told()).toHaveLength(before.length + 1);
});

test.each([
  ['a letter that PostgreSQL cannot keep', { note: 'a\u0000b' }],
  ['half a letter beside it', { what: 'requalified', place: undefined, stamp: '2026-10', note: '\u0000\ud800' }],
  ['a year before the calendar', { happenedAt: '0000-01-01T00:00:00Z' }],
])('%s is refused in a sentence, and nothing is kept', async (_, more) => {
  const before = await told();
  const { status, body } = await happened(more);
  expect([status, problem.parse(body).code]).toEqual([422, 'invalid-input']);
  expect(await told()).toHaveLength(before.length);
});

test('a stamp of a year that no cylinder has is asked for again', async () => {
  const { status, body } = await happened({ what: 'requalified', place: undefined, stamp: '0000-01' });
  expect(status).toBe(422);
  expect(problem.parse(body).errors).toEqual([{ pointer: '/stamp', detail: expect.stringMatching(/as they are stamped/) }]);
});
