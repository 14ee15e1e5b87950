// @ts-check
import { createHash } from 'node:crypto';
import { chmodSync, createReadStream, mkdirSync, mkdtempSync, renameSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import { DATABASE, prepareCluster, urlOf } from './cluster.mjs';
import { readJson, writeJson } from './data-folder.mjs';
import { asOwner } from './databases.mjs';
import { startCluster, stopCluster } from './postgres.mjs';
import { prove } from './proof.mjs';
import { run } from './run.mjs';
import { Stop } from './say.mjs';
import { prepareDatabase } from './server-process.mjs';
import { environmentFor, withDatabase } from './with-database.mjs';

/**
 * What lies beside each backup: what it holds, and its seal. `npm run verify -- --seal SEAL` shows that the ledger still begins like it.
 * @typedef {{ made: string, bytes: number, sha256: string, seal: string }} Manifest
 */

const manifestOf = (/** @type {string} */ file) => `${file}.json`;

/**
 * Writes a backup of the data, consistent while people book, and proves it: it is restored into a second cluster, and the ledger there summed
 * and its seals checked.
 * @param {string} dataFolder @param {string} folder @param {Date} [now] @returns {Promise<{ file: string, manifest: Manifest }>}
 */
export async function makeBackup(dataFolder, folder, now = new Date()) {
  const file = path.join(folder, `hygromet-${now.toISOString().slice(0, 19).replaceAll(':', '')}Z.dump`);
  const unproved = `${file}.unproved`;
  return withDatabase(dataFolder, async ({ binaries, settings }) => {
    mkdirSync(folder, { recursive: true });
    try {
      await asOwner(settings, DATABASE, 'select seal_movements(1000000)'); // the backup's seal covers all that is in it
      await dump(binaries, settings, unproved);
      const seal = await sealOfCopy(binaries, unproved);
      const manifest = { made: now.toISOString(), bytes: statSync(unproved).size, sha256: await hashOf(unproved), seal };
      writeJson(manifestOf(file), manifest);
      renameSync(unproved, file);
      return { file, manifest };
    } catch (error) {
      rmSync(unproved, { force: true });
      throw error;
    }
  });
}

/** @param {string} binaries @param {import('./cluster.mjs').Settings} settings @param {string} file */
async function dump(binaries, settings, file) {
  const env = environmentFor(settings, 'owner');
  const { code, output } = await run(path.join(binaries, 'pg_dump'), ['-Fc', '-f', file, DATABASE], { env });
  if (code !== 0) throw new Stop(wentWrong('The backup could not be written', output));
  chmodSync(file, 0o600);
}

/** @param {string} what @param {string} output */
const wentWrong = (what, output) =>
  /No space left/.test(output)
    ? `${what}: the disk is full. Free some space, or choose another disk. The data themselves are as they were.`
    : `${what}.\n${output.slice(-1500)}`;

/** Restored where nothing else is. @param {string} binaries @param {string} file @returns {Promise<string>} seal, empty where nothing is booked */
async function sealOfCopy(binaries, file) {
  const folder = mkdtempSync(path.join(tmpdir(), 'hygromet-proof-'));
  chmodSync(folder, 0o755);
  const data = { cluster: path.join(folder, 'postgres'), settingsFile: path.join(folder, 'postgres.json') };
  const cluster = await startCluster(binaries, await prepareCluster(binaries, data, { safe: false }), data.settingsFile, { safe: false });
  try {
    return await restoreInto(binaries, cluster.settings, file, DATABASE);
  } finally {
    await stopCluster(cluster);
    rmSync(folder, { recursive: true, force: true });
  }
}

/**
 * Restores a backup into a new database and proves it there.
 * @param {string} binaries @param {import('./cluster.mjs').Settings} settings @param {string} file @param {string} database
 * @returns {Promise<string>} seal, empty where nothing is booked
 */
export async function restoreInto(binaries, settings, file, database) {
  await asOwner(settings, 'postgres', `create database ${database}`);
  const env = environmentFor(settings, 'owner');
  const args = ['--exit-on-error', '--single-transaction', '-d', database, file];
  const { code, output } = await run(path.join(binaries, 'pg_restore'), args, { env });
  if (code !== 0) throw new Stop(wentWrong(`${file} could not be restored`, output));
  // the privileges on a database itself are in no backup of it
  await asOwner(settings, 'postgres', `grant connect on database ${database} to hygromet_app, hygromet_reader`);
  // a backup of an earlier version is brought to the shape of this one, with the rights of today
  await prepareDatabase(urlOf(settings, 'owner', database));
  const { proved, said, seal } = await prove(settings, { database });
  if (!proved) throw new Stop(`What is in ${file} is not proved:\n${said}`);
  return seal ?? '';
}

/** A file that was changed or cut since it was written is refused before anything is done with it. @param {string} file */
export async function refuseDamaged(file) {
  const manifest = /** @type {Manifest | undefined} */ (readJson(manifestOf(file)));
  if (manifest === undefined) return undefined; // without its manifest it is proved all the same
  if ((await hashOf(file)) !== manifest.sha256)
    throw new Stop(`${file} is not what was written on ${manifest.made}: it is cut short or changed. Take another backup.`);
  return manifest;
}

/** @param {string} file */
async function hashOf(file) {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  return hash.digest('hex');
}
