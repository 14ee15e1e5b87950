import pg from 'pg';
import { openHouse, type House } from '../../test/house';

let house: House;
beforeAll(async () => (house = await openHouse()));
afterAll(() => house.close());

test('a server that lives says so, and what it needs is well', async () => {
  expect((await house.get('/healthz')).status).toBe(200);
  const { status, body } = await house.get('/readyz');
  expect([status, body.status, body.database, body.migrations]).toEqual([200, 'ready', 'ok', 'ok']);
});

test('a database that hangs is told within 3 s; the server lives', async () => {
  const owner = new pg.Client({ connectionString: house.urlOf('owner') });
  await owner.connect();
  await owner.query('begin; lock table kysely_migration in access exclusive mode');
  const { status, body } = await house.get('/readyz');
  expect([status, body.status, body.database]).toEqual([503, 'not ready', 'does not answer']);
  expect((await house.get('/healthz')).status).toBe(200);
  await owner.query('rollback');
  await owner.end();
  expect((await house.get('/readyz')).status).toBe(200);
});
