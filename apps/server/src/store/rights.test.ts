import pg from 'pg';
import { openHouse, transferOf, type House } from '../../test/house';
import { grantedTables } from './rights';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

async function as(role: 'owner' | 'app' | 'reader', ...statements: string[]): Promise<pg.QueryResult> {
  const client = new pg.Client({ connectionString: house.urlOf(role) });
  await client.connect();
  try {
    let result!: pg.QueryResult;
    for (const statement of statements) result = await client.query(statement);
    return result;
  } finally {
    await client.end();
  }
}

test('nobody who can log in is a superuser, makes roles, or is above the rules of rows', async () => {
  const { rows } = await as('reader', `select rolname from pg_roles where rolcanlogin and (rolsuper or rolcreaterole or rolbypassrls)`);
  expect(rows).toEqual([]);
});

test('the rights name every table there is', async () => {
  const { rows } = await as(
    'owner',
    `select relname from pg_class where relnamespace = 'public'::regnamespace and relkind in ('r', 'v', 'p') and not relispartition`,
  );
  const ownersAlone = ['kysely_migration_lock'];
  expect(rows.map(({ relname }: { relname: string }) => relname).sort()).toEqual([...grantedTables, ...ownersAlone].sort());
});

// the attacks of a review, each of which went through before there were roles
test.each([
  'set session_replication_role = replica',
  'alter table movement disable trigger all',
  'drop trigger movement_append_only on movement',
  'drop table movement cascade',
  `create or replace function refuse_change() returns trigger language plpgsql as $$ begin return new; end $$`,
  'create table spare (id int)',
  'create temporary table spare (id int)',
  `create trigger own after update on balance for each row execute function keep_balances()`,
  `copy organisation to program 'id > /tmp/out'`,
  `select pg_read_file('/etc/passwd')`,
  `set role hygromet_owner`,
  'update balance set mass_kg = 0',
  `insert into balance_part select account_id, organisation_id, 'R-32', 1 from balance limit 1`,
  'delete from movement',
  'update movement set mass_kg = 1',
  'truncate movement cascade',
  'delete from visit',
  'truncate visit_event',
  'delete from shipment_receipt',
  'update price set per_kg = 0',
  'truncate cylinder_event',
  'truncate system_facts_history',
  'delete from register_history',
  `update movement_seal set hash = ''`,
  'delete from movement_unsealed',
  'update cylinder set tare_kg = 1',
  `update account set name = 'x'`,
  `update account set kind = 'air'`,
  `insert into substance values ('R-9')`,
  `insert into organisation select * from organisation`,
])('the server may not: %s', async (statement) => {
  await expect(as('app', statement)).rejects.toThrow(
    /permission denied|must be owner|must be (a )?(superuser|member)|only roles with|to COPY to or from/,
  );
});

test('whoever only reads can write nothing', async () => {
  for (const table of grantedTables) await as('reader', `select * from ${table} limit 1`);
  await expect(as('reader', `update cylinder set place = 'van'`)).rejects.toThrow(/permission denied/);
  await expect(as('reader', `select seal_movements(1)`)).rejects.toThrow(/permission denied/);
});

test('with all that, the server books', async () => {
  expect((await house.send('POST', '/api/transfers', await transferOf(house, 0.1))).status).toBe(201);
});
