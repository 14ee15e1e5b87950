import { factsChange, system } from '@hygromet/contract/system';
import { randomUUID } from 'node:crypto';
import { openHouse, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

const named = async (site: string) => {
  const { body } = await house.get('/api/systems');
  return system.parse((body as { site: string }[]).find((entry) => entry.site === site));
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

test('every state of the facts stays: who changed what, and what stood there before', async () => {
  const { id, version, facts: first } = await named('Seed bank');
  await save(id, { version, facts: { written: 'oil return noisy' }, recordedBy: 'Jory Quill' });
  const { body } = await house.get(`/api/systems/${id}/history`);
  const history = body.map((entry: unknown) => factsChange.parse(entry));
  expect(history.map(({ changedBy }: { changedBy: string }) => changedBy)).toEqual(['Jory Quill', 'register']);
  expect(history[1].facts).toEqual(first);
});

describe('systems from a file', () => {
  const row = (more: object = {}) => ({
    key: randomUUID(),
    site: 'Net loft',
    name: 'cold room',
    kind: 'walk-in',
    refrigerant: 'R-449A',
    nameplateKg: 5.1,
    ...more,
  });
  const take = (rows: object[], tryOnly = false) => house.send('POST', '/api/systems/import', { rows, tryOnly, recordedBy: 'Ines Marrow' });
  const count = async () => (await house.get('/api/systems')).body.length;

  test('a try says what would happen and keeps nothing; the same file twice changes nothing', async () => {
    const before = await count();
    expect((await take([row()], true)).body).toEqual({ kept: false, outcomes: [{ row: 0, outcome: 'added' }] });
    expect(await count()).toBe(before);
    expect((await take([row()])).body).toEqual({ kept: true, outcomes: [{ row: 0, outcome: 'added' }] });
    expect((await take([row()])).body).toEqual({ kept: true, outcomes: [{ row: 0, outcome: 'unchanged' }] });
    expect(await count()).toBe(before + 1);
  });

  test('other facts of a known system are taken; another plate is refused, and then nothing of the file is kept', async () => {
    const changed = row({ facts: { written: 'door gasket torn' } });
    expect((await take([changed])).body.outcomes).toEqual([{ row: 0, outcome: 'changed' }]);
    const before = await count();
    const { body } = await take([row({ name: 'ice store' }), row({ nameplateKg: 7 }), row({ name: 'loft', refrigerant: 'R-999' })]);
    expect(body.kept).toBe(false);
    expect(body.outcomes.map(({ outcome }: { outcome: string }) => outcome)).toEqual(['added', 'refused', 'refused']);
    expect(body.outcomes[1].detail).toMatch(/another nameplate charge \(5\.100 kg here\)/);
    expect(await count()).toBe(before);
  });

  test('a row that is not a system is named by its place', async () => {
    const { status, body } = await take([row({ name: 'one' }), row({ nameplateKg: 0 })]);
    expect(status).toBe(422);
    expect(body.errors[0]).toEqual({ pointer: '/rows/1/nameplateKg', detail: 'The nameplate charge is 0. Read it from the plate.' });
  });
});
