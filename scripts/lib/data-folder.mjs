// @ts-check
import { createHash } from 'node:crypto';
import { chownSync, existsSync, mkdirSync, readFileSync, statfsSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { run } from './run.mjs';
import { Stop } from './say.mjs';

const NEEDED_BYTES = 200e6;

/**
 * The folder that keeps everything: the database, its password, the lock.
 * @typedef {{ folder: string, cluster: string, settingsFile: string, lockFile: string }} DataFolder
 * @param {string} folder @returns {DataFolder}
 */
export function openDataFolder(folder) {
  mkdirSync(folder, { recursive: true });
  const { bavail, bsize } = statfsSync(folder);
  if (bavail * bsize < NEEDED_BYTES)
    throw new Stop(
      `The disk of ${folder} is full: ${Math.round((bavail * bsize) / 1e6)} MB are left, 200 MB are needed. Free some space, or choose another disk with --data DIR.`,
    );
  return {
    folder,
    cluster: clusterFolder(folder),
    settingsFile: path.join(folder, 'postgres.json'),
    lockFile: path.join(folder, 'running.json'),
  };
}

/**
 * PostgreSQL refuses to run as root and runs as the user `postgres` then, who has to reach its folder: below a closed home
 * directory it cannot, and the cluster lies under /var/lib/hygromet instead.
 * @param {string} folder
 */
function clusterFolder(folder) {
  const inside = path.join(folder, 'postgres');
  if (process.getuid?.() !== 0 || existsSync(path.join(inside, 'PG_VERSION')) || everyoneMayPass(folder)) return inside;
  return path.join('/var/lib/hygromet', createHash('sha256').update(folder).digest('hex').slice(0, 12), 'postgres');
}

/** @param {string} folder @returns {boolean} */
const everyoneMayPass = (folder) => (statSync(folder).mode & 0o001) !== 0 && (folder === '/' || everyoneMayPass(path.dirname(folder)));

/** Makes the cluster's parent, and gives the cluster's folder to the user that runs it. @param {string} cluster */
export async function makeClusterFolder(cluster) {
  mkdirSync(cluster, { recursive: true, mode: 0o700 });
  if (process.getuid?.() !== 0) return;
  const { output } = await run('id', ['-u', 'postgres']);
  const group = await run('id', ['-g', 'postgres']);
  chownSync(cluster, Number(output), Number(group.output));
}

/** @template T @param {string} file @returns {T | undefined} */
export function readJson(file) {
  if (!existsSync(file)) return undefined;
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return undefined; // a write that a power cut ended: the same as none
  }
}

/** @param {string} file @param {unknown} value */
export const writeJson = (file, value) => writeFileSync(file, `${JSON.stringify(value, null, 2)}\n`, { mode: 0o600 });
