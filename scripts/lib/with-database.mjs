// @ts-check
import { existsSync } from 'node:fs';
import { prepareCluster, urlOf } from './cluster.mjs';
import { openDataFolder, readJson } from './data-folder.mjs';
import { holderOf, takeLock } from './lock.mjs';
import { startCluster, stopCluster } from './postgres.mjs';
import { Stop } from './say.mjs';
import { ensurePostgres } from './system-packages.mjs';

/**
 * @typedef {import('./cluster.mjs').Settings} Settings
 * @typedef {{ binaries: string, settings: Settings }} Reached
 */

/**
 * Works with the database of a data folder, whether Hygromet runs on it or not: where it does not, the database is started for this alone.
 * @template T @param {string} dataFolder @param {(reached: Reached) => Promise<T>} work @returns {Promise<T>}
 */
export async function withDatabase(dataFolder, work) {
  const none = new Stop(`There are no data in ${dataFolder}. Start Hygromet once, or name the folder with --data DIR.`);
  if (!existsSync(dataFolder)) throw none;
  const data = openDataFolder(dataFolder);
  const binaries = await ensurePostgres();
  const known = /** @type {Settings | undefined} */ (readJson(data.settingsFile));
  if (known === undefined) throw none;
  if (holderOf(data.lockFile) !== undefined) return work({ binaries, settings: known });
  const release = takeLock(data.lockFile, 0);
  try {
    const cluster = await startCluster(binaries, await prepareCluster(binaries, data), data.settingsFile);
    try {
      return await work({ binaries, settings: cluster.settings });
    } finally {
      await stopCluster(cluster);
    }
  } finally {
    release();
  }
}

/** For PostgreSQL's own programs: the password in an environment that only their own user reads. @param {Settings} settings @param {import('./cluster.mjs').Role} role */
export function environmentFor(settings, role) {
  const { username, password, hostname, port } = new URL(urlOf(settings, role));
  return { ...process.env, PGUSER: username, PGPASSWORD: password, PGHOST: hostname, PGPORT: port };
}
