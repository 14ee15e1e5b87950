import { sql } from 'kysely';
import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { accountNamed, cylinderNamed, environment, openHouse, type House } from '../../test/house';
import { BookingLine } from './booking-line';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

/** A new, evacuated cylinder. */
async function newCylinder(name: string) {
  const collar = { volumeM3: 0.0217, tareKg: 12, servicePressurePa: 2.8e6, requalified: '2026-05', place: 'van' };
  return (await house.send('POST', '/api/cylinders', { key: randomUUID(), name, ...collar })).body as { id: string; tareKg: number };
}

const into = async (cylinder: string, more: object = {}) => ({
  key: randomUUID(),
  from: (await accountNamed(house, 'Planetarium, rooftop unit')).id as string,
  cylinder,
  grossBeforeKg: 12,
  grossAfterKg: 12.25,
  happenedAt: '2026-11-25T07:40:00Z',
  recordedBy: 'Ines Marrow',
  ...more,
});

const book = (transfer: object) => house.send('POST', '/api/transfers', transfer);

/** In how many transactions these entries were written: PostgreSQL keeps that with each row. */
async function transactionsOf(entries: readonly string[]): Promise<number> {
  const { rows } = await sql<{ count: string }>`
    select count(distinct xmin::text) as count from movement where id = any(${entries}::uuid[])`.execute(house.db);
  return Number(rows[0]!.count);
}

test('who books while others are written is written with those who wait; each has its own answer', async () => {
  const cylinders = await Promise.all(Array.from({ length: 12 }, (_, k) => newCylinder(`L-${k}`)));
  const sent = await Promise.all(cylinders.map(({ id }, k) => into(id, { grossAfterKg: 12 + (k + 1) / 10 })));
  const answers = await Promise.all(sent.map(book));
  expect(answers.map(({ status }) => status)).toEqual(sent.map(() => 201));
  for (const [k, { body }] of answers.entries()) {
    expect([body.movement.to.id, body.to.id]).toEqual([cylinders[k]!.id, cylinders[k]!.id]);
    expect(body.movement.massKg).toBeCloseTo((k + 1) / 10, 9);
    expect(body.to.massKg).toBeCloseTo((k + 1) / 10, 9);
  }
  expect(await transactionsOf(answers.map(({ body }) => body.movement.id as string))).toBeLessThan(6);
});

test('what is refused of one leaves the others as they are', async () => {
  const cylinders = await Promise.all(['R-1', 'R-2', 'R-3', 'R-4'].map(newCylinder));
  const sent = await Promise.all(cylinders.map(({ id }) => into(id)));
  const wrong = [sent[0]!, { ...sent[1]!, grossBeforeKg: 11, grossAfterKg: 11.2 }, { ...sent[2]!, from: randomUUID() }, sent[3]!];
  const answers = await Promise.all(wrong.map(book));
  expect(answers.map(({ status, body }) => [status, body.code])).toEqual([
    [201, undefined],
    [422, 'below-tare'],
    [404, 'not-found'],
    [201, undefined],
  ]);
});

test('where the database refuses a statement of one, the others are written all the same', async () => {
  const { id } = await newCylinder('D-1');
  const { id: supplier } = await accountNamed(house, 'Planetarium, rooftop unit');
  const line = new BookingLine(house.db, environment);
  const ends: string[] = [];
  const one = (name: string, statement: string) =>
    line
      .book({
        into: randomUUID(),
        from: supplier as string,
        judgeAhead: () => Promise.resolve(),
        enter: (_, inTurn) => inTurn((tx) => sql.raw(statement).execute(tx)).then(() => Promise.reject(new Error(`${name} went through`))),
      })
      .catch((error: Error) => void ends.push(error.message));
  await Promise.all([one('first', 'select 1'), one('second', 'select 1 / 0'), one('third', 'select 1')]);
  // each was tried by itself: what the first and the third met is their own end, not that of a transaction which was given up
  expect(ends.sort()).toEqual(['division by zero', 'first went through', 'third went through']);
  expect((await book(await into(id))).status).toBe(201);
});

test('who wants a cylinder that somebody else holds waits for it, and nobody behind him has to', async () => {
  const [held, free] = await Promise.all(['W-1', 'W-2'].map(newCylinder));
  const holder = new pg.Client({ connectionString: house.urlOf('app') });
  await holder.connect();
  await holder.query('begin');
  await holder.query('select from cylinder where id = $1 for update', [held!.id]);
  let answered = false;
  const waits = book(await into(held!.id)).then((answer) => ((answered = true), answer));
  expect((await book(await into(free!.id))).status).toBe(201);
  expect(answered).toBe(false);
  await holder.query('rollback');
  expect((await waits).status).toBe(201);
  await holder.end();
});

test('of two who book into one cylinder at the same time, the second sees what the first has booked', async () => {
  const { id } = await newCylinder('T-1');
  const [first, second] = await Promise.all([into(id), into(id, { recordedBy: 'Tobin Wake' })]);
  const answers = await Promise.all([book(first), book(second)]);
  expect(answers.map(({ status }) => status).sort()).toEqual([201, 409]);
  expect(answers.find(({ status }) => status === 409)!.body.code).toBe('perhaps-twice');
  expect((await cylinderNamed(house, 'T-1')).contentKg).toBeCloseTo(0.25, 9);
});

test('one booking that is sent four times at once is written once, and answered four times', async () => {
  const { id } = await newCylinder('S-1');
  const transfer = await into(id);
  const answers = await Promise.all([transfer, transfer, transfer, transfer].map(book));
  expect(answers.map(({ status }) => status).sort()).toEqual([200, 200, 200, 201]);
  expect(new Set(answers.map(({ body }) => body.movement.id)).size).toBe(1);
});

test('whose change it was stands in the history of each cylinder, though all were written together', async () => {
  const people = ['Ines Marrow', 'Tobin Wake', 'Sanna Quill', 'Ossian Fell'];
  const cylinders = await Promise.all(people.map((_, k) => newCylinder(`H-${k}`)));
  const sent = await Promise.all(cylinders.map(({ id }, k) => into(id, { recordedBy: people[k] })));
  await Promise.all(sent.map(book));
  for (const [k, { id }] of cylinders.entries()) {
    const last = await house.db
      .selectFrom('register_history')
      .select('changed_by')
      .where('register', '=', 'cylinder')
      .where('id', '=', id)
      .orderBy('version', 'desc')
      .limit(1)
      .executeTakeFirstOrThrow();
    expect(last.changed_by).toBe(people[k]);
  }
});
