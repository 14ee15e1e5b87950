import { Hono } from 'hono';
import { statfs } from 'node:fs/promises';
import { newestMigration } from '../store/migrate';
import type { Deps, Env } from './env';

/** Below this PostgreSQL may refuse to write at any moment. */
const LEAST_FREE_BYTES = 100e6;

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
      return { database: 'ok', migrations: await migrations(), disk: await disk() };
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
