import { booked } from '@hygromet/contract/movement';
import { cylinder } from '@hygromet/contract/cylinder';
import { endpoints } from '@hygromet/contract/endpoints';
import { fillLimitsAnswer } from '@hygromet/contract/fill-limits';
import { problem } from '@hygromet/contract/problem';
import { massIn } from '@hygromet/core/units/mass';
import { randomUUID } from 'node:crypto';
import { pino } from 'pino';
import { accountNamed, cylinderNamed, openHouse, environment, transferOf, type House } from '../../test/house';
import { createApp } from './app';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

const example = { refrigerant: 'R-410A', volumeM3: 0.01190863, tareKg: 7.802, contentKg: 3.357, hottestK: 333.15 };

test('fill limits: a 26.2 lb cylinder of R-410A that will see 140 °F is ruled by that place, 20.3 lb net, and stopped below it', async () => {
  const { status, body } = await house.send('POST', '/api/fill-limits', example);
  expect(status).toBe(200);
  const answer = fillLimitsAnswer.parse(body);
  const ruling = answer.limits.find(({ rule }) => rule === answer.ruling)!;
  expect(answer.ruling).toBe('not-liquid-full-hottest');
  expect(massIn(ruling.netKg, 'lb')).toBeCloseTo(20.3, 1);
  const less = answer.budget.reduce((sum, { kg }) => sum + kg, 0);
  expect(answer.stopGrossKg).toBeCloseTo(ruling.grossKg - less, 9);
  expect(less).toBeGreaterThan(0.1);
  expect(answer.mayAddKg).toBeCloseTo(answer.stopGrossKg - 7.802 - 3.357, 9);
  expect(answer.limits.map(({ rule }) => rule).sort()).toEqual([
    'eighty-percent-77F',
    'hottest-place',
    'not-liquid-full-131F',
    'not-liquid-full-hottest',
    'un-p200',
  ]);
  expect(answer.classSuits).toBeNull(); // no stamped pressure was given
  expect(answer.liquidFullK).toBeGreaterThan(example.hottestK);
});

const limitsOf = async (change: object) => {
  const { body } = await house.send('POST', '/api/fill-limits', { ...example, contentKg: 0, ...change });
  return body;
};
const psi = (value: number) => value * 6894.757;

test('the collar, the air and what comes in are asked with it', async () => {
  const us = { stamp: 'us', servicePressurePa: psi(400) };
  expect(await limitsOf(us)).toMatchObject({ classSuits: true });
  expect(await limitsOf({ ...us, servicePressurePa: psi(260) })).toMatchObject({ classSuits: false });
  expect(await limitsOf({ ...us, airShare: 0.05 })).toMatchObject({ classSuits: false });
  const [few, much] = [await limitsOf({ oilShare: 0, refrigerant: 'R-22' }), await limitsOf({ oilShare: 0.1, refrigerant: 'R-22' })];
  expect(much.stopGrossKg).toBeLessThan(few.stopGrossKg);
  expect((await limitsOf({ airShare: 0.03 })).pressureAtHottestPa).toBeGreaterThan((await limitsOf({ airShare: 0 })).pressureAtHottestPa);
  const beside = await limitsOf({ refrigerant: 'R-22', contentKg: 0.1, incoming: { refrigerant: 'R-290', massKg: 2 } });
  expect(beside).toMatchObject({ ruling: 'unknown-content' });
  expect(beside.limits[0].netKg).toBeLessThan(4.71); // by itself R-290 fits 4.69 kg
});

test('a high-pressure gas is limited by its test pressure, and refused by the name of what is missing', async () => {
  const co2 = { refrigerant: 'R-744', hottestK: undefined };
  const missing = async (change: object) => (await limitsOf({ ...co2, ...change })).errors?.[0]?.pointer;
  expect(await missing({})).toBe('/stamp');
  expect(await missing({ stamp: 'un' })).toBe('/testPressurePa');
  expect(await missing({ testPressurePa: 190e5 })).toBe('/stamp');
  const answer = await limitsOf({ ...co2, stamp: 'un', testPressurePa: 190e5 });
  expect(answer.limits[0].netKg / example.volumeM3).toBeCloseTo(672, -1);
});

test('unknown content has the limit of the lightest thing it could be', async () => {
  const { refrigerant: _, ...without } = example;
  const { body, status } = await house.send('POST', '/api/fill-limits', { ...without, contentKg: 0, unknown: true });
  expect(status).toBe(200);
  expect(body.ruling).toBe('unknown-content');
  expect(body.limits[0].netKg).toBeCloseTo(3.14, 1);
  const both = await house.send('POST', '/api/fill-limits', { ...example, unknown: true });
  expect(both.body.detail).toMatch(/either a refrigerant or a composition, or say that it is unknown/);
});

test.each([
  [{ hottestK: 344.15 }, { hottestK: 345.15 }],
  [{ hottestK: 333.15 }, { hottestK: 380 }],
  [
    { refrigerant: 'R-125', hottestK: 339.15 },
    { refrigerant: 'R-125', hottestK: 340.15 },
  ],
])('a place that is hotter than the critical temperature does not lift the limit: %j, %j', async (cooler, hotter) => {
  const us = { stamp: 'us', servicePressurePa: psi(400) };
  expect((await limitsOf({ ...us, ...hotter })).stopGrossKg).toBeLessThanOrEqual((await limitsOf({ ...us, ...cooler })).stopGrossKg);
});

test('a composition may stand for a designation, and is recognised', async () => {
  const { refrigerant: _, ...without } = example;
  const [byName, byShares] = [
    await house.send('POST', '/api/fill-limits', example),
    await house.send('POST', '/api/fill-limits', { ...without, composition: { 'R-32': 0.5, 'R-125': 0.5 } }),
  ];
  expect(byShares.body.stopGrossKg).toBeCloseTo(byName.body.stopGrossKg, 9);
});

test.each([
  [{ refrigerant: 'R-410B7' }, 'unknown-refrigerant', /R-410/],
  [{ volumeM3: 0 }, 'invalid-input', /water capacity is 0/],
  [{ contentKg: -2 }, 'invalid-input', /negative/],
  [{ tareKg: undefined }, 'invalid-input', /tare is missing/],
  [{ hottestK: 20 }, 'invalid-input', /hottest temperature is below/],
  [{ refrigerant: 'R-508B', hottestK: undefined }, 'no-fill-limit', /No stop weight/],
])('fill limits of %j are refused with a sentence', async (change, code, sentence) => {
  const { status, body } = await house.send('POST', '/api/fill-limits', { ...example, ...change });
  expect(problem.parse(body)).toMatchObject({ status: 422, code });
  expect(status).toBe(422);
  expect(body.detail).toMatch(sentence);
});

test('a body that is no JSON is told so, as problem details', async () => {
  const response = await house.request('/api/fill-limits', { method: 'POST', headers: { 'content-type': 'application/json' }, body: '{' });
  expect(response.headers.get('content-type')).toBe('application/problem+json');
  expect(problem.parse(await response.json())).toMatchObject({ status: 422, code: 'invalid-input' });
});

test('an address that does not exist answers with problem details and points to the page', async () => {
  const { status, body } = await house.get('/api/nothing');
  expect([status, problem.parse(body).code]).toEqual([404, 'not-found']);
  expect(body.detail).toMatch('/api/docs');
});

test('every cylinder of the demo is as the contract says, and the known troubles are flagged', async () => {
  const { body } = await house.get('/api/cylinders');
  const all = cylinder.array().parse(body);
  const flagged = Object.fromEntries(all.filter(({ flags }) => flags.length > 0).map(({ name, flags }) => [name, flags]));
  expect(flagged).toEqual({ 'C-05': ['overfilled'], 'C-06': ['overdue'], 'C-08': ['non-condensables', 'due-soon'], 'C-10': ['mixed'] });
});

test('what stands on the property core is answered here as on the command line', async () => {
  const ask = (body: object) => house.send('POST', '/api/compute', body);
  const feed = await ask({ op: 'feedRate', refrigerant: 'R-410A', superheatK: 14, massFlowKgPerS: 0.05 });
  expect([feed.status, feed.body.kgPerS > 0]).toEqual([200, true]);
  const leaked = { 'R-32': 0.2, 'R-125': 0.23, 'R-134a': 0.57 };
  const restored = await ask({
    op: 'restore',
    massKg: 3,
    composition: leaked,
    designation: 'R-407C',
    available: [{ refrigerant: 'R-407C' }],
  });
  expect(restored.body).toMatchObject({ possible: true, add: [{ refrigerant: 'R-407C' }] });
  expect((await ask({ op: 'feedRate', refrigerant: 'R-999', superheatK: 14, massFlowKgPerS: 0.05 })).body.code).toBe('unknown-refrigerant');
});

test('a transfer is booked: both accounts, the content, and what is left until the stop', async () => {
  const [before, source] = [await cylinderNamed(house, 'C-07'), await accountNamed(house, 'Planetarium, rooftop unit')];
  const { status, body } = await house.send(
    'POST',
    '/api/transfers',
    await transferOf(house, 2, { grossAfterTyped: { text: '29.0', unit: 'lb' } }),
  );
  expect(status).toBe(201);
  const answer = booked.parse(body);
  expect(answer.to.massKg - before.contentKg).toBeCloseTo(2, 8);
  expect(source.massKg - answer.from.massKg).toBeCloseTo(2, 8);
  expect(answer.limits!.mayAddKg).toBeCloseTo(before.fillStatus.mayAddKg - 2, 6);
  expect(answer.movement.typed).toEqual({ grossAfter: { text: '29.0', unit: 'lb' } });
});

test('an overfilled cylinder is booked as it is and flagged by how much: the ledger tells the truth', async () => {
  const { fillStatus, tareKg, contentKg } = await cylinderNamed(house, 'C-07');
  const { status, body } = await house.send(
    'POST',
    '/api/transfers',
    await transferOf(house, fillStatus.limitGrossKg - tareKg - contentKg + 0.4),
  );
  expect(status).toBe(201);
  expect(body.overfilledByKg).toBeCloseTo(0.4, 6);
  expect((await cylinderNamed(house, 'C-07')).flags).toContain('overfilled');
  await house.send('POST', `/api/movements/${body.movement.id}/reversal`, {
    key: randomUUID(),
    recordedBy: 'Ines Marrow',
    note: 'only a test of the flag',
  });
});

test('a wrong booking is reversed, never edited; and reversed once', async () => {
  const before = await cylinderNamed(house, 'C-07');
  const wrong = await house.send('POST', '/api/transfers', await transferOf(house, 0.7));
  const reversal = { key: randomUUID(), recordedBy: 'Tobin Wake', note: 'scale read with a hose on it' };
  const reversed = await house.send('POST', `/api/movements/${wrong.body.movement.id}/reversal`, reversal);
  expect(reversed.status).toBe(201);
  expect(reversed.body.movement).toMatchObject({
    reverses: wrong.body.movement.id,
    massKg: wrong.body.movement.massKg,
    known: 'corrected',
  });
  expect((await cylinderNamed(house, 'C-07')).contentKg).toBeCloseTo(before.contentKg, 8);

  const again = await house.send('POST', `/api/movements/${wrong.body.movement.id}/reversal`, { ...reversal, key: randomUUID() });
  expect([again.status, again.body.code]).toEqual([409, 'already-reversed']);
  const ofReversal = await house.send('POST', `/api/movements/${reversed.body.movement.id}/reversal`, { ...reversal, key: randomUUID() });
  expect(ofReversal.body.code).toBe('reversal-of-reversal');
  const { body: entries } = await house.get(`/api/movements?account=${before.id}`);
  expect(entries.find(({ id }: { id: string }) => id === wrong.body.movement.id).reversedBy).toBe(reversed.body.movement.id);
  const { body: entry } = await house.get(`/api/movements/${wrong.body.movement.id}`);
  expect(entry).toEqual({ ...wrong.body.movement, reversedBy: reversed.body.movement.id });
  expect((await house.get(`/api/movements/${randomUUID()}`)).body.code).toBe('not-found');
});

test.each([
  ['a negative transfer', -1, {}, 'got-lighter', /did not get heavier/],
  ['nothing moved', 0, {}, 'got-lighter', /did not get heavier/],
  ['a gross below the tare', 1, { grossBeforeKg: 3 }, 'below-tare', /below the tare/],
  ['a source that is not there', 1, { from: randomUUID() }, 'not-found', /does not exist/],
  ['a name left out', 1, { recordedBy: ' ' }, 'invalid-input', /name of the person/],
])('%s is refused with a sentence', async (_, kg, change, code, sentence) => {
  const { body } = await house.send('POST', '/api/transfers', await transferOf(house, kg, change));
  expect(problem.parse(body).code).toBe(code);
  expect(body.detail).toMatch(sentence);
});

test('a refrigerant that is not what the cylinder holds is asked about, and booked as a mixture only when it was accepted', async () => {
  const chiller = await accountNamed(house, 'Ferry terminal, chiller, circuit A');
  const transfer = await transferOf(house, 0.5, { from: chiller.id });
  const asked = await house.send('POST', '/api/transfers', transfer);
  expect([asked.status, asked.body.code]).toEqual([409, 'would-mix']);
  const unsaid = await house.send('POST', '/api/transfers', { ...transfer, acceptMixing: true });
  expect([unsaid.body.code, unsaid.body.errors[0].pointer]).toEqual(['reason-missing', '/note']);
  const accepted = await house.send('POST', '/api/transfers', { ...transfer, acceptMixing: true, note: 'labels were exchanged' });
  expect(accepted.status).toBe(201);
  expect(accepted.body.movement).toMatchObject({ against: ['other-refrigerant'], note: 'labels were exchanged' });
  expect(Object.keys(accepted.body.to.composition).sort()).toEqual(['R-125', 'R-134a', 'R-32']);
  expect((await cylinderNamed(house, 'C-07')).flags).toContain('mixed');
});

test('what spoke against a transfer stays with its entry, and with one that nothing spoke against nothing does', async () => {
  const [supplier, overdue] = [await accountNamed(house, 'Supplier'), await cylinderNamed(house, 'C-06')];
  const gross = overdue.tareKg + overdue.contentKg;
  const weights = { key: randomUUID(), cylinder: overdue.id, grossBeforeKg: gross, grossAfterKg: gross + 0.2 };
  const base = { happenedAt: '2026-11-25T07:40:00Z', recordedBy: 'Ines Marrow' };
  const { body } = await house.send('POST', '/api/transfers', { ...base, ...weights, from: supplier.id, refrigerant: 'R-22' });
  expect(body.movement.against).toEqual(['overdue']);
  const inJune = { ...base, ...weights, key: randomUUID(), happenedAt: '2026-06-02T07:40:00Z', from: supplier.id, refrigerant: 'R-22' };
  expect((await house.send('POST', '/api/transfers', inJune)).body.movement.against).toBeNull(); // its stamp ran out in August
  const { id, tareKg } = await cylinderNamed(house, 'C-15');
  const good = await transferOf(house, 0, { cylinder: id, grossBeforeKg: tareKg, grossAfterKg: tareKg + 0.1 });
  expect((await house.send('POST', '/api/transfers', good)).body.movement.against).toBeNull();
});

test('a mixture stays a mixture in the cylinder it is poured into, whatever the label of the other says', async () => {
  const [mixed, empty] = [await cylinderNamed(house, 'C-10'), await cylinderNamed(house, 'C-11')];
  const { body } = await house.send('POST', '/api/transfers', {
    key: randomUUID(),
    from: mixed.id,
    cylinder: empty.id,
    grossBeforeKg: empty.tareKg,
    grossAfterKg: empty.tareKg + 1,
    happenedAt: '2026-11-25T07:40:00Z',
    recordedBy: 'Ines Marrow',
  });
  expect(body.movement).toMatchObject({ refrigerant: null, against: ['not-for-flammable'] }); // unknown is taken as burning
  const after = await cylinderNamed(house, 'C-11');
  expect(after).toMatchObject({ refrigerant: null, flags: expect.arrayContaining(['mixed']) });
  for (const [substance, share] of Object.entries(mixed.composition)) expect(after.composition[substance]).toBeCloseTo(share as number, 6);
});

test('an empty cylinder takes the label of what first goes in', async () => {
  const empty = await cylinderNamed(house, 'C-04');
  const museum = await accountNamed(house, 'Ceramics museum, storage');
  const transfer = {
    ...(await transferOf(house, 1)),
    cylinder: empty.id,
    from: museum.id,
    grossBeforeKg: empty.tareKg,
    grossAfterKg: empty.tareKg + 1.2,
  };
  await house.send('POST', '/api/transfers', transfer);
  expect(await cylinderNamed(house, 'C-04')).toMatchObject({ refrigerant: 'R-513A', evacuatedAt: null, contentKg: 1.2 });
});

test('a transfer out of an unlabelled mixture that emptied it, sent again after its answer was lost, is the first booking', async () => {
  const [mixed, into] = [await cylinderNamed(house, 'C-11'), await cylinderNamed(house, 'C-04')];
  const gross = into.tareKg + into.contentKg;
  const rest = {
    key: randomUUID(),
    from: mixed.id,
    cylinder: into.id,
    grossBeforeKg: gross,
    grossAfterKg: gross + mixed.contentKg,
    happenedAt: '2026-11-25T07:50:00Z',
    recordedBy: 'Ines Marrow',
    acceptMixing: true,
    note: 'all of it goes to the reclaimer in one cylinder',
  };
  const first = await house.send('POST', '/api/transfers', rest);
  expect(first.status).toBe(201);
  const again = await house.send('POST', '/api/transfers', rest);
  expect([again.status, again.body.repeated, again.body.movement.id]).toEqual([200, true, first.body.movement.id]);
});

test('air in the cylinder that it came from stays with the entry', async () => {
  const [nonCondensables, empty] = [await cylinderNamed(house, 'C-08'), await cylinderNamed(house, 'C-15')];
  const gross = empty.tareKg + empty.contentKg;
  const weights = { key: randomUUID(), from: nonCondensables.id, cylinder: empty.id, grossBeforeKg: gross, grossAfterKg: gross + 0.2 };
  const told = { happenedAt: '2026-11-25T07:50:00Z', recordedBy: 'Ines Marrow', acceptMixing: true, note: 'in a hurry' };
  const { body } = await house.send('POST', '/api/transfers', { ...told, ...weights });
  expect(body.movement.against).toContain('air-comes-along');
});

test('what the scale shows beyond the ledger is booked as unexplained', async () => {
  const { id, tareKg, contentKg } = await cylinderNamed(house, 'C-02');
  const ounces = 11 * 0.028349523125; // more decimals than the ledger keeps
  const weighing = {
    key: randomUUID(),
    grossKg: tareKg + contentKg + ounces,
    happenedAt: '2026-11-25T07:00:00Z',
    recordedBy: 'Jory Quill',
  };
  const { body } = await house.send('POST', `/api/cylinders/${id}/weighings`, weighing);
  expect(body.from.kind).toBe('unexplained');
  expect(body.movement.massKg).toBeCloseTo(ounces, 8);
  expect((await house.send('POST', `/api/cylinders/${id}/weighings`, weighing)).body.repeated).toBe(true);
  const other = await house.send('POST', `/api/cylinders/${id}/weighings`, { ...weighing, grossKg: weighing.grossKg + 1 });
  expect(other.body.code).toBe('key-reused');
});

test('registering: the same number twice is refused by name, a repeated request answers the first', async () => {
  const draft = {
    key: randomUUID(),
    name: 'C-77',
    volumeM3: 0.0119,
    tareKg: 7.8,
    servicePressurePa: 2.76e6,
    requalified: '2025-02',
    place: 'van',
    refrigerant: 'R-32',
    grossKg: 9.3,
  };
  const first = await house.send('POST', '/api/cylinders', draft);
  expect(first.status).toBe(201);
  expect(first.body.contentKg).toBeCloseTo(1.5, 9);
  expect((await house.send('POST', '/api/cylinders', draft)).body.id).toBe(first.body.id);
  const taken = await house.send('POST', '/api/cylinders', { ...draft, key: randomUUID() });
  expect([taken.status, taken.body.code]).toEqual([409, 'name-taken']);
});

test('what hardly stands on a collar is asked back, registered once it was read again, and not filled while that is not said', async () => {
  // 30 lb is a size such cylinders are sold under; 26.2 lb of water go in
  const draft = {
    key: randomUUID(),
    name: 'C-97',
    volumeM3: 30 * 0.45359237e-3,
    tareKg: 7.8,
    servicePressurePa: 2.76e6,
    requalified: '2025-02',
    place: 'van',
  };
  const asked = await house.send('POST', '/api/cylinders', draft);
  expect([asked.status, asked.body.code, asked.body.errors[0].pointer]).toEqual([409, 'collar-unusual', '/volumeM3']);
  const marks = { kind: 'recovery', flammableRated: false, ports: 'liquid-and-vapour', validYears: 5 };
  const { status, body } = await house.send('POST', '/api/cylinders', { ...draft, marks: { ...marks, confirmed: true } });
  expect([status, body.flags]).toEqual([201, []]);
  const event = { key: randomUUID(), what: 'described', marks, happenedAt: '2026-11-25T08:00:00Z', recordedBy: 'Jory Quill' };
  const described = await house.send('POST', `/api/cylinders/${body.id}/events`, event);
  expect(described.body.cylinder?.flags ?? described.body.flags).toContain('collar-unconfirmed');
});

test('more than a cylinder can hold is not in it: pounds that were sent as kilograms are asked back, and nothing is registered', async () => {
  const draft = {
    key: randomUUID(),
    name: 'C-98',
    volumeM3: 0.0119,
    tareKg: 7.8,
    servicePressurePa: 2.76e6,
    requalified: '2025-02',
    place: 'van',
  };
  const { status, body } = await house.send('POST', '/api/cylinders', { ...draft, refrigerant: 'R-410A', grossKg: 38 });
  expect([status, body.code, body.errors[0].pointer]).toEqual([422, 'more-than-fits', '/grossKg']);
  expect(body.detail).toMatch(/30\.20 kg of R-410A, and full of cold liquid it holds 1[5-7]\.\d\d kg/);
  const { body: all } = await house.get('/api/cylinders');
  expect(all.map(({ name }: { name: string }) => name)).not.toContain('C-98');
});

test('the rules of the organisation decide which limit rules', async () => {
  const { body: before } = await house.get('/api/organisation');
  const { version, demo: _demo, changedAt: _, changedBy: __, ...settings } = before;
  const save = (seen: number, requiredRules: readonly string[]) =>
    house.send('PUT', '/api/organisation', { version: seen, settings: { ...settings, requiredRules }, recordedBy: 'Ines Marrow' });
  expect((await save(version, [...settings.requiredRules, 'hottest-place'])).status).toBe(200);
  expect((await house.send('POST', '/api/fill-limits', example)).body.ruling).toBe('hottest-place');
  await save(version + 1, settings.requiredRules);
});

test('the routes and the contract name the same endpoints', () => {
  const app = createApp({ db: house.db, environment, log: pino({ level: 'silent' }), version: 'test' });
  const routed = app.routes
    .filter(({ path, method }) => path.startsWith('/api/') && method !== 'ALL')
    .map(({ method, path }) => `${method} ${path}`);
  const promised = Object.values(endpoints).map(({ method, path }) => `${method.toUpperCase()} ${path}`);
  const notJson = ['calendar.ics', 'docs', 'instruments/stream', 'openapi.json', 'photographs/:name'].map((name) => `GET /api/${name}`);
  expect([...new Set(routed)].sort()).toEqual([...promised, ...notJson].sort());
});

test('the document and its page are served, with an ETag that saves the second answer', async () => {
  const first = await house.request('/api/openapi.json');
  expect(((await first.json()) as { openapi: string }).openapi).toBe('3.1.0');
  const again = await house.request('/api/openapi.json', { headers: { 'if-none-match': first.headers.get('etag') ?? '' } });
  expect(again.status).toBe(304);
  expect(await (await house.request('/api/docs')).text()).toMatch('/api/fill-limits');
});

test('answers are compressed, carry a request id, and health is told', async () => {
  const response = await house.request('/api/refrigerants', { headers: { 'accept-encoding': 'gzip' } });
  expect(response.headers.get('content-encoding')).toBe('gzip');
  expect(response.headers.get('x-request-id')).toMatch(/\S/);
  expect((await house.get('/healthz')).body.status).toBe('ok');
});
