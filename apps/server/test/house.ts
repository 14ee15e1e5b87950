import { coreVersion } from '@hygromet/core/version';
import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { pino } from 'pino';
import { loadDemo } from '../src/demo/load-demo';
import { inThisThread } from '../src/computing/computing';
import type { Environment } from '../src/domain/environment';
import { createApp } from '../src/http/app';
import { LiveReadings } from '../src/live/live-readings';
import { connect, type Db } from '../src/store/database';
import { migrate } from '../src/store/migrate';

/** A server with the demo data on a database of its own: what a test does in it, no other test sees. */
export interface House {
  readonly db: Db;
  /** Where its database is, for each role: the server itself is `app`. */
  readonly urlOf: (role: Role) => string;
  readonly get: (path: string) => Promise<Answer>;
  readonly send: (method: 'POST' | 'PUT', path: string, body: unknown) => Promise<Answer>;
  readonly request: ReturnType<typeof createApp>['request'];
  readonly close: () => Promise<void>;
}

export interface Answer {
  readonly status: number;
  // oxlint-disable-next-line typescript/no-explicit-any -- answers are looked at by each test in its own way
  readonly body: any;
}

/** The clock of the tests stands still in November 2026. */
export const environment: Environment = { newId: () => randomUUID(), now: () => new Date('2026-11-25T08:00:00Z'), computing: inThisThread };

type Role = 'owner' | 'app' | 'reader';
const server = (role: Role) => process.env[`TEST_POSTGRES_${role.toUpperCase()}`] ?? '';

const urlsOf = (name: string) => (role: Role) => server(role).replace(/\/postgres$/, `/${name}`);

/** The address of a new, empty database, for each role. */
export const newDatabase = (): Promise<(role: Role) => string> => asAdmin((admin) => madeIn(admin));

async function asAdmin<T>(work: (admin: pg.Client) => Promise<T>): Promise<T> {
  const admin = new pg.Client({ connectionString: server('owner') });
  await admin.connect();
  try {
    return await work(admin);
  } finally {
    await admin.end();
  }
}

async function madeIn(admin: pg.Client, template?: string): Promise<(role: Role) => string> {
  const name = `t_${randomUUID().replaceAll('-', '')}`;
  await admin.query(`create database ${name}${template === undefined ? '' : ` template ${template}`}`);
  return urlsOf(name);
}

const DEMO = 'demo';
const DEMO_LOCK = 1;

/** A copy of the demo. Whoever is the first makes what is copied; others wait for it. */
const demoCopy = (): Promise<(role: Role) => string> =>
  asAdmin(async (admin) => {
    await admin.query(`select pg_advisory_lock(${DEMO_LOCK})`);
    const { rowCount } = await admin.query('select from pg_database where datname = $1', [DEMO]);
    if (rowCount === 0) await makeDemo(admin);
    await admin.query(`select pg_advisory_unlock(${DEMO_LOCK})`);
    return madeIn(admin, DEMO);
  });

/** Under another name until it is whole: what failed half way is not taken for the demo. */
async function makeDemo(admin: pg.Client): Promise<void> {
  const urlOf = await madeIn(admin);
  const owner = connect(urlOf('owner'), () => undefined);
  await migrate(owner);
  await loadDemo(owner, environment);
  await owner.destroy();
  await admin.query(`alter database ${new URL(urlOf('owner')).pathname.slice(1)} rename to ${DEMO}`);
}

export async function openHouse(): Promise<House> {
  const urlOf = await demoCopy();
  const owner = connect(urlOf('owner'), () => undefined);
  // rights of the database itself are not copied
  await migrate(owner);
  await owner.destroy();
  const db = connect(urlOf('app'), () => undefined);
  const log = pino({ level: 'silent' });
  const live = new LiveReadings(db, urlOf('app'), log);
  const app = createApp({ db, environment, log, live, version: coreVersion, checkAnswers: true });
  const answer = async (response: Response): Promise<Answer> => ({ status: response.status, body: await response.json() });
  return {
    db,
    urlOf,
    request: app.request,
    get: async (path) => answer(await app.request(path)),
    send: async (method, path, body) =>
      answer(await app.request(path, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })),
    close: async () => {
      await live.stop();
      await db.destroy();
    },
  };
}

export async function cylinderNamed(house: House, name: string) {
  const { body } = await house.get('/api/cylinders');
  return body.find((cylinder: { name: string }) => cylinder.name === name);
}

export async function accountNamed(house: House, name: string) {
  const { body } = await house.get('/api/accounts');
  return body.find((account: { name: string }) => account.name === name);
}

/** A good transfer of `kg` from the planetarium into C-07. */
export async function transferOf(house: House, kg: number, more: object = {}) {
  const cylinder = await cylinderNamed(house, 'C-07');
  const source = await accountNamed(house, 'Planetarium, rooftop unit');
  const before = cylinder.tareKg + cylinder.contentKg;
  return {
    key: randomUUID(),
    from: source.id,
    cylinder: cylinder.id,
    grossBeforeKg: before,
    grossAfterKg: before + kg,
    happenedAt: '2026-11-25T07:40:00Z',
    recordedBy: 'Ines Marrow',
    ...more,
  };
}
