import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { pino } from 'pino';
import { loadDemo } from '../src/demo/load-demo';
import { inThisThread } from '../src/computing/computing';
import { systemEnvironment } from '../src/domain/environment';
import { createApp } from '../src/http/app';
import { connect } from '../src/store/database';
import { migrate } from '../src/store/migrate';
import { differingBalances } from '../src/store/movement-store';

const CYLINDERS = 200;
const ROUNDS = 41;

/** Median time in ms of what people open and do, with a ledger of so many generated entries in an empty database. */
export async function timesWith(databaseUrl: string, movements: number): Promise<Record<string, number>> {
  const db = connect(databaseUrl, () => undefined);
  await migrate(db);
  await loadDemo(db, systemEnvironment(inThisThread));
  await generate(databaseUrl, movements);
  const differing = await differingBalances(db);
  if (differing.length > 0) throw new Error(`the generated ledger does not add up: ${differing[0] ?? ''}`);

  const app = createApp({ db, environment: systemEnvironment(inThisThread), log: pino({ level: 'silent' }), version: 'bench' });
  const get = async <T>(path: string): Promise<T> => {
    const response = await app.request(path);
    if (response.status !== 200) throw new Error(`${path} answered ${response.status}`);
    return (await response.json()) as T; // the bench asks only for what it knows
  };
  const accounts = await get<{ id: string; name: string; kind: string }[]>('/api/accounts');
  const supplier = accounts.find(({ kind }) => kind === 'supplier')?.id ?? '';
  const cylinders = await get<{ id: string; name: string; tareKg: number; contentKg: number }[]>('/api/cylinders');
  const one = cylinders.find(({ name }) => name === 'G-001');
  if (one === undefined) throw new Error('the generated cylinders are not there');

  let booked = 0;
  const book = async () => {
    const before = one.tareKg + one.contentKg + booked++ * 0.001;
    const response = await app.request('/api/transfers', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        key: randomUUID(),
        from: supplier,
        cylinder: one.id,
        refrigerant: 'R-410A',
        grossBeforeKg: before,
        grossAfterKg: before + 0.001,
        happenedAt: new Date().toISOString(),
        recordedBy: 'bench',
      }),
    });
    if (response.status !== 201) throw new Error(`a booking was refused: ${await response.text()}`);
  };
  const times = {
    'the book, newest 500': await median(() => get('/api/movements')),
    'the book, 500 further back': await median(() => pageBack(get)),
    // fifty, because with the small ledger a cylinder has hardly more
    'newest 50 entries of one cylinder': await median(() => get(`/api/movements?limit=50&account=${one.id}`)),
    'entries of the supplier, in every second': await median(() => get(`/api/movements?account=${supplier}`)),
    'twenty of the oldest entries, found by their note': await median(() => get('/api/movements?text=needle')),
    'newest 50 entries, found by a person in all of them': await median(() => get('/api/movements?limit=50&text=generated')),
    'newest 50 entries, found by cylinder and person': await median(() => get('/api/movements?limit=50&text=G-001+generated')),
    'all accounts with balances': await median(() => get('/api/accounts')),
    'all cylinders with limits': await median(() => get('/api/cylinders')),
    'a transfer booked from the supplier': await median(book),
  };
  await db.destroy();
  return times;
}

async function pageBack(get: <T>(path: string) => Promise<T>): Promise<void> {
  const page = await get<{ id: string }[]>('/api/movements?limit=1');
  await get(`/api/movements?before=${page[0]?.id ?? ''}`);
}

async function median(task: () => Promise<unknown>): Promise<number> {
  const times: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const started = performance.now();
    await task();
    times.push(performance.now() - started);
  }
  return times.sort((a, b) => a - b)[Math.floor(ROUNDS / 2)] ?? NaN;
}

/** Entries over ten years, every second from the supplier, the others between cylinders. Written past the triggers, summed at once. */
async function generate(databaseUrl: string, movements: number): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  await client.query('set session_replication_role = replica');
  const organisation = '(select id from organisation)';
  await client.query(`
    insert into account (id, organisation_id, kind, name)
      select gen_random_uuid(), ${organisation}, 'cylinder', 'G-' || lpad(n::text, 3, '0') from generate_series(1, ${CYLINDERS}) n`);
  await client.query(`
    insert into cylinder (id, organisation_id, registration_key, volume_m3, tare_kg, service_pressure_pa, requalified, place, refrigerant)
      select id, organisation_id, gen_random_uuid(), 0.0216, 12, 2.76e6, to_char(now() - interval '1 year', 'YYYY-MM'), 'workshop', 'R-410A'
      from account where name like 'G-%'`);
  await client.query(`
    insert into movement (id, organisation_id, idempotency_key, content_hash, from_account, to_account, mass_kg, refrigerant, composition,
        known, happened_at, recorded_at, recorded_by, note)
      with c as (select array_agg(id order by name) as ids from account where name like 'G-%'),
        s as (select id from account where kind = 'supplier'),
        n as (select n, n % ${CYLINDERS} + 1 as here from generate_series(1, ${movements}) n)
      select gen_random_uuid(), ${organisation}, gen_random_uuid(), 'generated',
        case when n % 2 = 0 then s.id else c.ids[(here * 7) % ${CYLINDERS} + 1] end, c.ids[here], 8.0 / ${movements} * ${CYLINDERS}, 'R-410A',
        '{"R-32": 0.5, "R-125": 0.5}', 'weighed', now() - interval '10 years' * (1 - n::float / ${movements}), now(), 'generated',
        case when n <= 20 then 'needle' end
      from n, c, s where n % 2 = 0 or (here * 7) % ${CYLINDERS} + 1 <> here`);
  await client.query(`
    insert into balance (account_id, organisation_id, mass_kg, entries, last_moved_at)
      select account_id, ${organisation}, sum(mass_kg), count(*), max(happened_at) from (
        select from_account as account_id, -mass_kg as mass_kg, happened_at from movement
        union all select to_account, mass_kg, happened_at from movement
      ) side group by account_id
      on conflict (account_id) do update set mass_kg = excluded.mass_kg, entries = excluded.entries, last_moved_at = excluded.last_moved_at`);
  await client.query(`
    insert into balance_part (account_id, organisation_id, substance, mass_kg)
      select account_id, ${organisation}, key, sum(mass_kg) from (
        select from_account as account_id, key, -round(mass_kg * value::numeric, 9) as mass_kg from movement, jsonb_each_text(composition)
        union all select to_account, key, round(mass_kg * value::numeric, 9) from movement, jsonb_each_text(composition)
      ) side group by account_id, key
      on conflict (account_id, substance) do update set mass_kg = excluded.mass_kg`);
  await client.query('analyze');
  await client.end();
}
