// @ts-check
import { mkdtempSync, chmodSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { prepareCluster, startCluster, stopCluster, urlOf } from '../../../scripts/lib/postgres.mjs';
import { ensurePostgres } from '../../../scripts/lib/system-packages.mjs';

/** A real PostgreSQL of the tests' own, started once and thrown away. */
export default async function start() {
  const folder = mkdtempSync(path.join(tmpdir(), 'hygromet-test-'));
  chmodSync(folder, 0o755);
  const binaries = await ensurePostgres();
  const data = { cluster: path.join(folder, 'postgres'), settingsFile: path.join(folder, 'postgres.json') };
  const settings = await prepareCluster(binaries, data, { safe: false });
  const cluster = await startCluster(binaries, settings, data.settingsFile, { safe: false });
  process.env['TEST_POSTGRES'] = urlOf(cluster.settings, 'postgres');
  globalThis.stopTestPostgres = async () => {
    await stopCluster(cluster);
    rmSync(folder, { recursive: true, force: true });
  };
}
