// @ts-check
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { benchCapabilities } from './bench/capabilities.mjs';
import { benchLists } from './bench/lists.mjs';
import { benchProperties } from './bench/properties.mjs';
import { benchReadings } from './bench/readings.mjs';
import { benchService } from './bench/service.mjs';
import { prepareCluster } from './lib/cluster.mjs';
import { startCluster, stopCluster } from './lib/postgres.mjs';
import { fail } from './lib/say.mjs';
import { ensurePostgres } from './lib/system-packages.mjs';

/** npm run bench [-- properties | capabilities | lists | service | readings] */
async function main() {
  const [what] = process.argv.slice(2);
  if (what === undefined || what === 'properties') await benchProperties();
  if (what === undefined || what === 'capabilities') await benchCapabilities();
  if (what === undefined || what === 'lists') await withCluster(({ settings }) => benchLists(settings));
  if (what === undefined || what === 'service') await withCluster(({ settings }, folder) => benchService(settings, folder));
  if (what === undefined || what === 'readings') await withCluster(({ settings }, folder) => benchReadings(settings, folder));
}

/** A cluster of its own, and gone after it. @param {(cluster: Awaited<ReturnType<typeof startCluster>>, folder: string) => Promise<void>} work */
async function withCluster(work) {
  const folder = mkdtempSync(path.join(tmpdir(), 'hygromet-bench-'));
  chmodSync(folder, 0o755);
  const binaries = await ensurePostgres();
  const data = { cluster: path.join(folder, 'postgres'), settingsFile: path.join(folder, 'postgres.json') };
  const cluster = await startCluster(binaries, await prepareCluster(binaries, data), data.settingsFile);
  try {
    await work(cluster, folder);
  } finally {
    await stopCluster(cluster);
    rmSync(folder, { recursive: true, force: true });
  }
}

main().catch(fail);
