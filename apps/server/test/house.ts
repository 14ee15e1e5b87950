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
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- answers are looked at by each test in its own way
  readonly body: any;
}

/** The clock of the tests stands still in November 2026. */
export const environment: Environment = { newId: () => randomUUID(), now: () => new Date('2026-11-25T08:00:00Z'), computing: inThisThread };

type Role = 'owner' | 'app' | 'reader';
const server = (role: Role) => process.env[`TEST_POSTGRES_${role.toUpperCase()}`] ?? '';

/** The address of a new, empty database, for each role. */
export async function newDatabase(): Promise<(role: Role) => string> {
  const name = `t_${randomUUID().replaceAll('-', '')}`;
  const admin = new pg.Client({ connectionString: server('owner') });
  await admin.connect();
  await admin.query(`create database ${name}`);
  await admin.end();
  return (role) => server(role).replace(/\/postgres$/, `/${name}`);
}

export async function openHouse(): Promise<House> {
  const urlOf = await newDatabase();
  const owner = connect(urlOf('owner'), () => undefined);
  await migrate(owner);
  await loadDemo(owner, environment);
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
