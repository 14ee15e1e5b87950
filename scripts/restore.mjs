// @ts-check
import { existsSync } from 'node:fs';
import path from 'node:path';
import { refuseDamaged, restoreInto } from './lib/backup.mjs';
import { buildServer } from './lib/build.mjs';
import { DATABASE, prepareCluster } from './lib/cluster.mjs';
import { openDataFolder } from './lib/data-folder.mjs';
import { dataOptions } from './lib/data-options.mjs';
import { asOwner, dropDatabase } from './lib/databases.mjs';
import { ensureDependencies } from './lib/dependencies.mjs';
import { takeLock } from './lib/lock.mjs';
import { startCluster, stopCluster } from './lib/postgres.mjs';
import { fail, say, Stop } from './lib/say.mjs';
import { ensurePostgres } from './lib/system-packages.mjs';

const HELP = `npm run restore -- FILE              put a backup in place of the data (stop Hygromet first)
npm run restore -- FILE --data DIR   in another folder, which may be new`;

/** Restores beside what is there, proves it, and only then exchanges the two. What was there before is kept under another name. */
async function main() {
  const { word, dataFolder } = dataOptions(process.argv.slice(2), { help: HELP });
  if (word === undefined) throw new Stop(`Say which backup.\n\n${HELP}`);
  const file = path.resolve(word);
  if (!existsSync(file)) throw new Stop(`There is no file ${file}.`);
  const manifest = await refuseDamaged(file);
  const data = openDataFolder(dataFolder);
  const release = takeLock(data.lockFile, 0);
  process.once('exit', release);
  const binaries = await ensurePostgres();
  await ensureDependencies();
  await buildServer();
  const cluster = await startCluster(binaries, await prepareCluster(binaries, data), data.settingsFile);
  try {
    await exchange(binaries, cluster.settings, file, manifest?.seal);
  } finally {
    await stopCluster(cluster);
  }
}

/** @param {string} binaries @param {import('./lib/cluster.mjs').Settings} settings @param {string} file @param {string | undefined} expected */
async function exchange(binaries, settings, file, expected) {
  const fresh = `${DATABASE}_restored`;
  await dropDatabase(settings, fresh);
  say('restoring beside what is there');
  const seal = await restoreInto(binaries, settings, file, fresh);
  if (expected !== undefined && expected !== seal)
    throw new Stop(`The ledger in ${file} is not the one that was sealed when it was written. Nothing was changed; take another backup.`);
  const before = `${DATABASE}_before_${new Date().toISOString().slice(0, 19).replace(/\D/g, '')}`;
  const there = await asOwner(settings, 'postgres', `select 1 from pg_database where datname = '${DATABASE}'`);
  if (there.length > 0) await asOwner(settings, 'postgres', `alter database ${DATABASE} rename to ${before}`);
  await asOwner(settings, 'postgres', `alter database ${fresh} rename to ${DATABASE}`);
  say(`restored and proved. Seal: ${seal}`);
  if (there.length > 0) say(`What was there before is kept as the database ${before}.`);
}

main().catch(fail);
