import pg from 'pg';
import { openHouse, type House } from '../../test/house';

let house: House;
let owner: pg.Client;
beforeAll(async () => {
  house = await openHouse();
  owner = new pg.Client({ connectionString: house.urlOf('owner') });
  await owner.connect();
});
afterAll(async () => {
  await owner.end();
  await house.close();
});

/** An entry as a hand at the psql prompt would write it, with one thing changed. */
const entry = (change: Record<string, string> = {}) => {
  const fields: Record<string, string> = {
    id: 'gen_random_uuid()',
    organisation_id: 'organisation.id',
    idempotency_key: 'gen_random_uuid()',
    content_hash: `'x'`,
    from_account: 'supplier.id',
    to_account: 'reclaimer.id',
    mass_kg: '1',
    composition: `'{"R-32": 1}'`,
    known: `'weighed'`,
    happened_at: 'now()',
    recorded_at: 'now()',
    recorded_by: `'hand'`,
    reverses: 'null',
    ...change,
  };
  return `insert into movement (${Object.keys(fields).join(', ')}) select ${Object.values(fields).join(', ')}
    from organisation, account supplier, account reclaimer where supplier.kind = 'supplier' and reclaimer.kind = 'reclaimer'
    returning id, recorded_at`;
};

test.each([
  ['a mass that is no number', { mass_kg: `'NaN'` }, /movement_holds_numbers/],
  ['a weight that is no number', { gross_before_kg: `'NaN'` }, /movement_holds_numbers/],
  ['an endless mass', { mass_kg: `'Infinity'` }, /numeric field overflow|cannot hold an infinite/],
  ['an empty composition', { composition: `'{}'` }, /movement_composition_sums_to_one/],
  ['a share that is no number', { composition: `'{"R-32": "NaN"}'` }, /movement_composition_sums_to_one/],
  ['an unknown substance', { composition: `'{"R-9999": 1}'` }, /R-9999 is no substance that is known here/],
  ['a time to come', { happened_at: `now() + interval '1 day'` }, /is still to come/],
])('PostgreSQL refuses %s, from the owner too', async (_, change, sentence) => {
  await expect(owner.query(entry(change))).rejects.toThrow(sentence);
});

describe('a reversal', () => {
  let wrong: string;
  const mirrored = { from_account: 'reclaimer.id', to_account: 'supplier.id' };
  beforeAll(async () => void (wrong = `'${String((await owner.query<{ id: string }>(entry())).rows[0]?.id)}'::uuid`));

  test.each([
    ['another mass', () => ({ ...mirrored, mass_kg: '2', reverses: wrong })],
    ['the same accounts', () => ({ reverses: wrong })],
    ['another composition', () => ({ ...mirrored, composition: `'{"R-125": 1}'`, reverses: wrong })],
    ['an entry that is not there', () => ({ ...mirrored, reverses: 'gen_random_uuid()' })],
  ])('with %s is refused', async (_, change) => {
    await expect(owner.query(entry(change()))).rejects.toThrow(/mirrors an entry/);
  });

  test('that mirrors its entry is booked once, and is not reversed itself', async () => {
    const { rows } = await owner.query<{ id: string }>(entry({ ...mirrored, reverses: wrong }));
    await expect(owner.query(entry({ ...mirrored, reverses: wrong }))).rejects.toThrow(/movement_reversed_once/);
    await expect(owner.query(entry({ reverses: `'${String(rows[0]?.id)}'::uuid` }))).rejects.toThrow(/mirrors an entry/);
  });
});

test('the moment at which an entry was written down is that of the database, whatever the server says', async () => {
  const app = new pg.Client({ connectionString: house.urlOf('app') });
  await app.connect();
  const { rows } = await app.query<{ recorded_at: Date }>(entry({ recorded_at: `'1999-01-01'` }));
  await app.end();
  expect(Math.abs(rows[0]!.recorded_at.getTime() - Date.now())).toBeLessThan(60_000);
});

test.each([
  'delete from visit',
  'truncate visit cascade',
  'delete from account',
  'delete from cylinder',
  'delete from cylinder_event',
  'truncate cylinder_event',
  'truncate visit_event',
  'truncate system_facts_history',
  'delete from register_history',
  'truncate movement_seal',
])('nothing of the record goes: %s', async (statement) => {
  await expect(owner.query(statement)).rejects.toThrow(/append-only/);
});

test('a tare or a name is changed only together with its history, and an account never becomes another kind', async () => {
  await owner.query(`set hygromet.person = 'Ines Marrow'`);
  await owner.query(`update cylinder set tare_kg = tare_kg + 1 from account where account.id = cylinder.id and account.name = 'C-07'`);
  const { rows } = await owner.query<{ version: number; tare: string; changed_by: string }>(
    `select history.version, state ->> 'tare_kg' as tare, changed_by from register_history history
      join account on account.id = history.id where register = 'cylinder' and account.name = 'C-07' order by history.version desc limit 2`,
  );
  expect(Number(rows[0]?.tare) - Number(rows[1]?.tare)).toBeCloseTo(1, 9);
  expect(rows[0]?.version).toBe((rows[1]?.version ?? 0) + 1);
  expect(rows[0]?.changed_by).toBe('Ines Marrow');
  await expect(owner.query(`update account set kind = 'air' where kind = 'supplier'`)).rejects.toThrow(/stays what it is/);
  const renamed = await owner.query(`update account set name = 'Harbour supplier' where kind = 'supplier'`);
  expect(renamed.rowCount).toBe(1);
  const { rows: names } = await owner.query(
    `select state ->> 'name' as name from register_history where register = 'account' and state ->> 'kind' = 'supplier' order by version`,
  );
  expect(names).toEqual([{ name: 'Supplier' }, { name: 'Harbour supplier' }]);
});

describe('nothing names what belongs to another firm', () => {
  let other: Record<'organisation' | 'system' | 'cylinder' | 'visit' | 'gateway', string>;
  beforeAll(async () => {
    const made = async (statement: string, values: readonly unknown[] = []) =>
      (await owner.query<{ id: string }>(`${statement} returning id`, [...values])).rows[0]!.id;
    // rows of this firm are copied to another one, each under a name of its own
    const organisation =
      await made(`insert into organisation (id, name, altitude_m, required_rules, liquid_share_at_131f, hottest_k, part_share, end_of_pump_down)
      select gen_random_uuid(), 'Saltmarsh Refrigeration', altitude_m, required_rules, liquid_share_at_131f, hottest_k, part_share, end_of_pump_down from organisation limit 1`);
    const account = (kind: string) =>
      made(`insert into account (id, organisation_id, kind, name) values (gen_random_uuid(), $1, $2, $3)`, [
        organisation,
        kind,
        `of another firm, ${kind}`,
      ]);
    const copied = async (table: string, id: string) => {
      const { rows } = await owner.query<{ column_name: string }>(
        `select column_name from information_schema.columns where table_name = $1 and is_generated = 'NEVER' and column_name not in ('id', 'organisation_id', 'registration_key')`,
        [table],
      );
      const columns = rows.map(({ column_name }) => column_name).join(', ');
      await owner.query(
        `insert into ${table} (id, organisation_id, registration_key, ${columns}) select $1, $2, gen_random_uuid(), ${columns} from ${table} limit 1`,
        [id, organisation],
      );
      return id;
    };
    const system = await copied('system', await account('system'));
    const cylinder = await copied('cylinder', await account('cylinder'));
    const visit = await made(
      `insert into visit (id, organisation_id, opening_key, system_id, day, record) values (gen_random_uuid(), $1, gen_random_uuid(), $2, '2026-11-20', '{}')`,
      [organisation, system],
    );
    const gateway = await made(
      `insert into gateway (id, organisation_id, name, token_hash, added_by) values (gen_random_uuid(), $1, 'theirs', 'x', 'hand')`,
      [organisation],
    );
    other = { organisation, system, cylinder, visit, gateway };
  });

  const mine = `(select id from organisation where name <> 'Saltmarsh Refrigeration')`;
  test.each<[string, (of: typeof other) => string, RegExp]>([
    [
      'a visit',
      ({ system }) =>
        `insert into visit (id, organisation_id, opening_key, system_id, day, record) values (gen_random_uuid(), ${mine}, gen_random_uuid(), '${system}', '2026-11-20', '{}')`,
      /visit_system_id_of_one_firm/,
    ],
    [
      'an event of a visit',
      ({ visit }) =>
        `insert into visit_event (organisation_id, visit_id, event_key, sequence, kind, body, happened_at, recorded_at, recorded_by) values (${mine}, '${visit}', gen_random_uuid(), 1, 'marked', '{}', now(), now(), 'hand')`,
      /visit_event_visit_id_of_one_firm/,
    ],
    [
      'an event of a cylinder',
      ({ cylinder }) =>
        `insert into cylinder_event (id, organisation_id, cylinder_id, event_key, what, detail, happened_at, recorded_at, recorded_by) values (gen_random_uuid(), ${mine}, '${cylinder}', gen_random_uuid(), 'moved', '{}', now(), now(), 'hand')`,
      /cylinder_event_cylinder_id_of_one_firm/,
    ],
    [
      'an instrument',
      ({ gateway }) =>
        `insert into instrument (organisation_id, id, gateway_id, facts, heard_at) values (${mine}, 'scale-x', '${gateway}', '{}', now())`,
      /instrument_gateway_id_of_one_firm/,
    ],
  ])('%s of this firm names only what is its own', async (_, statement, constraint) => {
    await expect(owner.query(statement(other))).rejects.toThrow(constraint);
  });

  test('an entry is of a visit of this firm', async () => {
    await expect(
      owner.query(
        entry({ visit_id: `'${other.visit}'`, organisation_id: mine }).replace(
          'from organisation, account supplier',
          'from account supplier',
        ),
      ),
    ).rejects.toThrow(/movement_visit_id_of_one_firm/);
  });
});
