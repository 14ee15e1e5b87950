import { system } from '@hygromet/contract/system';
import { openHouse, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

const named = async (site: string) => {
  const { body } = await house.get('/api/systems');
  return system.parse((body as { site: string }[]).find((own) => own.site === site));
};
const facts = {
  compressor: 'reciprocating',
  valves: { king: 'holds', 'suction-service': 'leaks' },
  volumes: { receiver: { m3: 0.012, known: 'plate', typed: { text: '12', unit: 'L' } } },
  lineSet: { lengthM: 18, coveredM: 7.5, liquid: '3/8', suction: '7/8' },
  written: 'king valve turns hard',
};
const save = (id: string, body: object) => house.send('PUT', `/api/systems/${id}/facts`, body);

test('facts of a circuit are kept, with who changed them and when', async () => {
  const before = await named('Cheese cave');
  const { status, body } = await save(before.id, { version: before.version, facts, recordedBy: 'Ines Marrow' });
  expect(status).toBe(200);
  expect(system.parse(body)).toMatchObject({ facts, version: before.version + 1, changedBy: 'Ines Marrow' });
  const { body: read } = await house.get(`/api/systems/${before.id}`);
  expect(system.parse(read).facts).toEqual(facts);
});

test('what somebody else has changed meanwhile is not overwritten, and the sentence says who', async () => {
  const { id, version } = await named('Print works');
  const [mine, theirs] = await Promise.all([
    save(id, { version, facts: { written: 'one' }, recordedBy: 'Jory Quill' }),
    save(id, { version, facts: { written: 'two' }, recordedBy: 'Tobin Wake' }),
  ]);
  expect([mine.status, theirs.status].sort()).toEqual([200, 409]);
  const refused = mine.status === 409 ? mine : theirs;
  expect(refused.body).toMatchObject({ code: 'changed-meanwhile' });
  expect(refused.body.detail).toMatch(/(Jory Quill|Tobin Wake) has changed these facts meanwhile/);
});

test.each([
  [{ lineSet: { lengthM: -3, coveredM: 7.5, liquid: '3/8', suction: '7/8' } }, /length of the line set is below 0/],
  [{ lineSet: { lengthM: 900, coveredM: 7.5, liquid: '3/8', suction: '7/8' } }, /above 500 m/],
  [{ volumes: { receiver: { m3: 0, known: 'plate' } } }, /volume|water capacity/i],
  [{ valves: { king: 'rusty' } }, /./],
])('facts %j are refused beside their field', async (wrong, sentence) => {
  const { id, version } = await named('Ceramics museum');
  const { status, body } = await save(id, { version, facts: wrong, recordedBy: 'Ines Marrow' });
  expect(status).toBe(422);
  expect(body.errors[0].pointer).toMatch(/^\/facts/);
  expect(body.errors[0].detail).toMatch(sentence);
});

test('a system that is not there is said to be not there', async () => {
  const nobody = '00000000-0000-4000-8000-000000000000';
  expect((await house.get(`/api/systems/${nobody}`)).status).toBe(404);
  expect((await save(nobody, { version: 1, facts: {}, recordedBy: 'x' })).body.code).toBe('not-found');
});

test('the demo comes with facts that matter for a plan', async () => {
  expect((await named('Cheese cave')).kind).toBe('walk-in');
  expect((await named('Ferry terminal')).facts.compressor).toBe('screw');
});
