import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { buildInstruments, buildServer, buildWeb } from '../scripts/lib/build.mjs';
import { prepareCluster, urlOf, type Settings } from '../scripts/lib/cluster.mjs';
import { ensureDatabase } from '../scripts/lib/databases.mjs';
import { startCluster, stopCluster } from '../scripts/lib/postgres.mjs';
import { prepareDatabase } from '../scripts/lib/server-process.mjs';
import { ensurePostgres } from '../scripts/lib/system-packages.mjs';

const HANDED_ON = 'HYGROMET_E2E_CLUSTER';

/** What the files of the tests know of the cluster they share. */
export interface DemoCluster {
  readonly settings: Settings;
  readonly folder: string;
}

/** The built application and a database with the demo data, which every file of the tests copies for itself; gone after them. */
export default async function demoCluster(): Promise<() => Promise<void>> {
  const folder = mkdtempSync(path.join(tmpdir(), 'hygromet-e2e-'));
  chmodSync(folder, 0o755);
  await buildServer();
  await buildWeb();
  await buildInstruments();
  const binaries = await ensurePostgres();
  const data = { cluster: path.join(folder, 'postgres'), settingsFile: path.join(folder, 'postgres.json') };
  const cluster = await startCluster(binaries, await prepareCluster(binaries, data, { safe: false }), data.settingsFile, { safe: false });
  await ensureDatabase(cluster.settings);
  await prepareDatabase(urlOf(cluster.settings, 'owner'));
  const handed: DemoCluster = { settings: cluster.settings, folder };
  process.env[HANDED_ON] = JSON.stringify(handed);
  return async () => {
    await stopCluster(cluster);
    rmSync(folder, { recursive: true, force: true });
  };
}

/** In a process that runs tests. */
export const theCluster = (): DemoCluster => JSON.parse(process.env[HANDED_ON] ?? 'null') as DemoCluster;
