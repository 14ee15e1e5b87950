import fc from 'fast-check';
import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { addMovements, differingBalances } from './movement-store';
import { ownOrganisation } from './organisation-store';
import { accountNamed, cylinderNamed, openHouse, transferOf, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

/** What several people book at once was asked back, and is right. */
const certain = { certain: ['perhaps-twice', 'ledger-differs'] };

/** A hand at the psql prompt: that of the owner, who may do most. */
async function sql(...statements: string[]): Promise<pg.QueryResult> {
  const client = new pg.Client({ connectionString: house.urlOf('owner') });
  await client.connect();
  try {
    let result!: pg.QueryResult;
    for (const statement of statements) result = await client.query(statement);
    return result;
  } finally {
    await client.end();
  }
}

test.each(['update movement set mass_kg = 1', 'delete from movement', 'truncate movement cascade', 'truncate balance cascade'])(
  'PostgreSQL refuses: %s',
  async (statement) => {
    await expect(sql(statement)).rejects.toThrow(/append-only/);
  },
);

test.each([
  'update balance set mass_kg = mass_kg + 1',
  'update balance set entries = 0',
  'delete from balance_part',
  'update balance_part set mass_kg = 0',
  `insert into balance_part select account_id, organisation_id, 'R-1150', 1 from balance limit 1`,
])('PostgreSQL refuses to change a balance otherwise than by an entry: %s', async (statement) => {
  await expect(sql(statement)).rejects.toThrow(/is the sum of the movements and changes with them alone/);
});

test('a balance that somebody changed with the rules switched off is found, with both figures', async () => {
  const [account] = (await sql('select account_id from balance order by account_id')).rows as { account_id: string }[];
  const changed = `update balance set mass_kg = mass_kg + 1 where account_id = '${account?.account_id ?? ''}'`;
  const back = changed.replace('+ 1', '- 1');
  expect(await differingBalances(house.db)).toEqual([]);
  await sql('alter table balance disable trigger user', changed);
  expect(await differingBalances(house.db)).toEqual([expect.stringMatching(new RegExp(`^${account?.account_id ?? ''}: `))]);
  await sql(back, 'alter table balance enable trigger user');
});

test('when something last went in or out is the latest time that an entry tells, whatever was booked last', async () => {
  const { id } = await cylinderNamed(house, 'C-07');
  const at = async (happenedAt: string) => house.send('POST', '/api/transfers', await transferOf(house, 0.01, { happenedAt }));
  await at('2026-11-25T07:59:00Z');
  await at('2026-11-02T08:00:00Z');
  expect((await house.get(`/api/cylinders/${id}`)).body.lastMovedAt).toBe('2026-11-25T07:59:00.000Z');
});

test('entries are read page by page, newest first, of all accounts and of one', async () => {
  const { id } = await accountNamed(house, 'Supplier');
  for (const query of ['', `account=${id}&`]) {
    const { body: all } = await house.get(`/api/movements?${query}`);
    const first = await house.get(`/api/movements?${query}limit=3`);
    const second = await house.get(`/api/movements?${query}limit=3&before=${first.body[2].id}`);
    expect([...first.body, ...second.body].map((entry: { id: string }) => entry.id)).toEqual(
      all.slice(0, 6).map((entry: { id: string }) => entry.id),
    );
  }
  const { body } = await house.get(`/api/movements?account=${id}`);
  expect(body.every(({ from, to }: { from: { id: string }; to: { id: string } }) => from.id === id || to.id === id)).toBe(true);
  expect((await house.get('/api/movements?limit=6000')).body.detail).toBe(
    'At most 5000 entries at a time; ask for older ones with "before".',
  );
});

test('a movement without mass, to its own account, or with shares that do not sum to 1 is refused by name', async () => {
  const [a, b] = [(await accountNamed(house, 'Supplier')).id, (await accountNamed(house, 'Reclaimer')).id];
  const insert = (from: string, to: string, mass: number, shares: string) =>
    sql(`insert into movement (id, organisation_id, idempotency_key, content_hash, from_account, to_account, mass_kg, composition, known, happened_at, recorded_at, recorded_by)
      select gen_random_uuid(), id, gen_random_uuid(), 'x', '${from}', '${to}', ${mass}, '${shares}', 'weighed', now(), now(), 'test' from organisation`);
  await expect(insert(a, b, 0, '{"R-32": 1}')).rejects.toThrow(/movement_moves_something/);
  await expect(insert(a, a, 1, '{"R-32": 1}')).rejects.toThrow(/movement_leaves_its_account/);
  await expect(insert(a, b, 1, '{"R-32": 0.5}')).rejects.toThrow(/movement_composition_sums_to_one/);
});

test('the same key again with the same content answers the first booking and adds nothing', async () => {
  const transfer = await transferOf(house, 0.5);
  const first = await house.send('POST', '/api/transfers', transfer);
  const again = await house.send('POST', '/api/transfers', transfer);
  expect([first.status, again.status, again.body.repeated]).toEqual([201, 200, true]);
  expect(again.body.movement.id).toBe(first.body.movement.id);
  expect(again.body.to.massKg).toBe(first.body.to.massKg);
});

test('the same request five times at once is booked once, and answered five times', async () => {
  const transfer = await transferOf(house, 0.2);
  const before = await cylinderNamed(house, 'C-07');
  const answers = await Promise.all(Array.from({ length: 5 }, () => house.send('POST', '/api/transfers', transfer)));
  expect(answers.map(({ status }) => status).sort()).toEqual([200, 200, 200, 200, 201]);
  expect(new Set(answers.map(({ body }) => body.movement.id)).size).toBe(1);
  expect((await cylinderNamed(house, 'C-07')).contentKg - before.contentKg).toBeCloseTo(0.2, 8);
});

test('the same key with another content is refused, and nothing is booked', async () => {
  const transfer = await transferOf(house, 0.1);
  await house.send('POST', '/api/transfers', transfer);
  const other = await house.send('POST', '/api/transfers', { ...transfer, grossAfterKg: transfer.grossAfterKg + 1 });
  expect([other.status, other.body.code]).toEqual([409, 'key-reused']);
});

test('five bookings at once on one cylinder lose nothing', async () => {
  const before = await cylinderNamed(house, 'C-07');
  const transfers = await Promise.all([0.1, 0.2, 0.3, 0.4, 0.5].map((kg) => transferOf(house, kg, certain)));
  const answers = await Promise.all(transfers.map((transfer) => house.send('POST', '/api/transfers', transfer)));
  expect(answers.map(({ status }) => status)).toEqual([201, 201, 201, 201, 201]);
  const after = await cylinderNamed(house, 'C-07');
  expect(after.contentKg - before.contentKg).toBeCloseTo(1.5, 8);
});

test('two cylinders emptied into each other at once do not wait for each other for ever', async () => {
  const [one, other] = [await cylinderNamed(house, 'C-03'), await cylinderNamed(house, 'C-09')];
  const between = (from: typeof one, to: typeof one, n: number) => ({
    key: randomUUID(),
    from: from.id,
    cylinder: to.id,
    grossBeforeKg: to.tareKg + to.contentKg,
    grossAfterKg: to.tareKg + to.contentKg + 0.01 * (n + 1),
    happenedAt: '2026-11-25T07:00:00Z',
    recordedBy: 'Tobin Wake',
    ...certain,
  });
  const transfers = [0, 1, 2, 3].flatMap((n) => [between(one, other, n), between(other, one, n)]);
  const answers = await Promise.all(transfers.map((transfer) => house.send('POST', '/api/transfers', transfer)));
  expect(answers.map(({ status }) => status)).toEqual(answers.map(() => 201));
});

test('whatever is booked, all accounts together sum to nothing', async () => {
  const anyMass = fc.integer({ min: 1, max: 400 }).map((grams) => grams / 1000);
  await fc.assert(
    fc.asyncProperty(anyMass, async (kg) => {
      await house.send('POST', '/api/transfers', await transferOf(house, kg));
      const { rows } = await sql('select sum(mass_kg) as total from balance');
      expect(rows[0].total).toBe('0.000000000');
      expect(await differingBalances(house.db)).toEqual([]);
    }),
    { numRuns: 12 },
  );
});

test('entries that are written in one statement, whatever accounts they share, leave every balance the sum of its entries', async () => {
  const { id: organisationId } = await ownOrganisation(house.db);
  const accounts = (await house.get('/api/accounts')).body.slice(0, 5) as { id: string }[];
  const anyAccount = fc.integer({ min: 0, max: accounts.length - 1 });
  const anyEntry = fc
    .record({ from: anyAccount, to: anyAccount, micrograms: fc.integer({ min: 1, max: 5e9 }), share: fc.integer({ min: 1, max: 99 }) })
    .filter(({ from, to }) => from !== to);
  await fc.assert(
    fc.asyncProperty(fc.array(anyEntry, { minLength: 1, maxLength: 40 }), async (those) => {
      const entries = those.map(({ from, to, micrograms, share }) => {
        const draft = {
          ...{ id: randomUUID(), organisationId, key: randomUUID(), from: accounts[from]!.id, to: accounts[to]!.id },
          ...{ massKg: micrograms / 1e9, refrigerant: null, composition: { 'R-32': share / 100, 'R-125': 1 - share / 100 } },
          ...{ known: 'weighed' as const, happenedAt: '2026-11-25T07:00:00Z', recordedBy: 'Tobin Wake' },
        };
        return { draft, decided: draft, recordedAt: new Date('2026-11-25T08:00:00Z') };
      });
      const added = await house.db.transaction().execute((tx) => addMovements(tx, organisationId, entries));
      expect(added.map(({ state }) => state)).toEqual(entries.map(() => 'first'));
      expect(await differingBalances(house.db)).toEqual([]);
    }),
    { numRuns: 25 },
  );
});
