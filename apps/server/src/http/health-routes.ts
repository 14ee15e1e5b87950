import { Hono } from 'hono';
import { statfs } from 'node:fs/promises';
import { setTimeout } from 'node:timers/promises';
import { newestMigration } from '../store/migrate';
import type { Deps, Env } from './env';

/** Below this PostgreSQL may refuse to write at any moment. */
const LEAST_FREE_BYTES = 100e6;

/** A database that hangs answers nothing at all: whoever watches is told so in time. */
const HEARD_WITHIN_MS = 2000;

async function within<T>(ms: number, answer: Promise<T>): Promise<T> {
  const stop = new AbortController();
  const late = setTimeout(ms, undefined, { signal: stop.signal }).then(() => {
    throw new Error(`the database has not answered within ${ms} ms`);
  });
  try {
    return await Promise.race([answer, late]);
  } finally {
    stop.abort();
    late.catch(() => undefined);
    answer.catch(() => undefined); // it may fail later, when nobody waits for it any more
  }
}

/** For whoever watches the server: `/healthz` says that it lives, `/readyz` that it can do its work, and if not, what is missing. */
export const healthRoutes = ({ db, dataFolder, version, log }: Deps) => {
  const migrations = async (): Promise<'ok' | 'behind'> => {
    const rows = await db.selectFrom('kysely_migration').select('name').where('name', '=', newestMigration).execute();
    return rows.length === 1 ? 'ok' : 'behind';
  };
  const disk = async (): Promise<'ok' | 'nearly full' | 'not watched'> => {
    if (dataFolder === undefined) return 'not watched';
    const { bavail, bsize } = await statfs(dataFolder);
    return bavail * bsize < LEAST_FREE_BYTES ? 'nearly full' : 'ok';
  };
  const ready = async () => {
    try {
      return { database: 'ok', migrations: await within(HEARD_WITHIN_MS, migrations()), disk: await disk() };
    } catch (error) {
      log.warn({ err: error }, 'not ready');
      return { database: 'does not answer', migrations: 'not known', disk: await disk() };
    }
  };

  return new Hono<Env>()
    .get('/healthz', (c) => c.json({ status: 'ok', version }))
    .get('/readyz', async (c) => {
      const parts = await ready();
      const isReady = parts.database === 'ok' && parts.migrations === 'ok' && parts.disk !== 'nearly full';
      return c.json({ status: isReady ? 'ready' : 'not ready', version, ...parts }, isReady ? 200 : 503);
    });
};
