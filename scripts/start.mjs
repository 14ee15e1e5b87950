// @ts-check
import { buildInstruments, buildServer, buildWeb } from './lib/build.mjs';
import { keepBackups } from './lib/daily-backup.mjs';
import { openDataFolder } from './lib/data-folder.mjs';
import { ensureDependencies } from './lib/dependencies.mjs';
import { takeLock } from './lib/lock.mjs';
import { KeptInstruments } from './lib/instruments.mjs';
import { isFree } from './lib/ports.mjs';
import { prepareCluster, urlOf } from './lib/cluster.mjs';
import { dropDatabase, ensureDatabase } from './lib/databases.mjs';
import { startCluster } from './lib/postgres.mjs';
import { fail, say, Stop } from './lib/say.mjs';
import { prepareDatabase } from './lib/server-process.mjs';
import { startOptions } from './lib/start-options.mjs';
import { Supervisor } from './lib/supervisor.mjs';
import { ensurePostgres } from './lib/system-packages.mjs';

/** From nothing to a URL: packages, build, database, demo data, server. Each step is passed over when it is done already. */
async function start() {
  const { port, dataFolder, backups, resetDemo, empty, instruments } = startOptions(process.argv.slice(2));
  const data = openDataFolder(dataFolder);
  const release = takeLock(data.lockFile, port);
  process.once('exit', release);
  if (!(await isFree(port))) throw new Stop(`Port ${port} is used by another program. Choose another: npm start -- --port ${port + 1}`);

  const binaries = await ensurePostgres();
  await ensureDependencies();
  await buildServer();
  await buildWeb();
  if (instruments !== undefined) await buildInstruments();

  const settings = await prepareCluster(binaries, data);
  say('starting PostgreSQL');
  const cluster = await startCluster(binaries, settings, data.settingsFile);
  const supervisor = new Supervisor(cluster, data.settingsFile, port, data.folder);
  const simulated = instruments === undefined ? undefined : new KeptInstruments(instruments, port, data.folder);
  const stop = () => Promise.all([simulated?.stop(), supervisor.stop()]);
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.once(signal, () => void stop().then(() => process.exit(0)));
  try {
    if (resetDemo) {
      say('throwing the old data away');
      await dropDatabase(cluster.settings);
    }
    await ensureDatabase(cluster.settings);
    await prepareDatabase(urlOf(cluster.settings, 'owner'), { empty });
    await supervisor.serve();
    if (simulated !== undefined) await simulated.start();
    if (backups !== undefined) keepBackups(data.folder, backups);
  } catch (error) {
    await stop();
    throw error;
  }
  if (simulated?.running === true) say(`Simulated instruments: http://127.0.0.1:${instruments}`);
  say(`Hygromet is ready: http://127.0.0.1:${port}   (stop with Ctrl-C)`);
}

start().catch(fail);
