import { problem } from '@hygromet/contract/problem';
import { sql } from 'kysely';
import pg from 'pg';
import { openHouse, type House } from '../../test/house';
import { isConnectionLost } from '../store/connection-lost';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

const ask = async (url: string, headers: Record<string, string> = {}) => {
  const response = await house.request(url, { headers });
  return response.status;
};

test.each([
  ['its own address', 'http://127.0.0.1:4180/api/accounts', {}, 200],
  ['its own name', 'http://localhost:4180/api/accounts', {}, 200],
  ['its own page', 'http://localhost:4180/api/accounts', { origin: 'http://localhost:4180', 'sec-fetch-site': 'same-origin' }, 200],
  ['a name that was pointed at it', 'http://evil.example:4180/api/accounts', {}, 403],
  ['the same with an origin that fits', 'http://evil.example:4180/api/accounts', { origin: 'http://evil.example:4180' }, 403],
  ['another page of the browser', 'http://localhost:4180/api/accounts', { origin: 'http://evil.example' }, 403],
  ['another program of this machine', 'http://localhost:4180/api/accounts', { origin: 'http://localhost:3000' }, 403],
  ['a page without an address', 'http://localhost:4180/api/accounts', { origin: 'null' }, 403],
  ['what a browser calls cross-site', 'http://localhost:4180/api/accounts', { 'sec-fetch-site': 'cross-site' }, 403],
] as const)('%s', async (_, url, headers, status) => {
  expect(await ask(url, headers)).toBe(status);
});

test('a body beyond what anybody books is refused before it is read', async () => {
  const response = await house.request('/api/properties', {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'content-length': String(20e6) },
    body: '['.repeat(20e6),
  });
  expect(problem.parse(await response.json())).toMatchObject({ status: 413, code: 'too-large' });
});

test('connections that are cut in the middle of a transaction end no process, and the answer says when to try again', async () => {
  const admin = new pg.Client({ connectionString: house.urlOf('owner') });
  await admin.connect();
  const open = house.db.transaction().execute(async (tx) => {
    await tx.selectFrom('account').select('id').execute();
    await admin.query(
      `select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'hygromet' and datname = current_database()`,
    );
    await new Promise((resolve) => setTimeout(resolve, 100)); // the client hears of it between two queries
    return tx.selectFrom('account').select('id').execute();
  });
  const error: unknown = await open.catch((reason: unknown) => reason);
  expect(isConnectionLost(error)).toBe(true);
  expect(await ask('/api/accounts')).toBe(200);
  await admin.end();
});

test('what takes longer than anybody waits is no fault of the question: it may be asked again', async () => {
  const slow: unknown = await house.db
    .transaction()
    .execute(async (tx) => {
      await sql`set local statement_timeout = 20`.execute(tx);
      await sql`select pg_sleep(5)`.execute(tx);
    })
    .catch((reason: unknown) => reason);
  expect(slow).toBeInstanceOf(pg.DatabaseError);
  expect(isConnectionLost(slow)).toBe(true);
});

test('what is wrong with a question is no lost connection', async () => {
  const refused: unknown = await house.db
    .selectFrom('account')
    .select('id')
    .where('id', '=', 'no uuid')
    .execute()
    .catch((reason: unknown) => reason);
  expect(refused).toBeInstanceOf(pg.DatabaseError);
  expect(isConnectionLost(refused)).toBe(false);
});
