// @ts-check
import { mkdtempSync, chmodSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { prepareCluster, urlOf } from '../../../scripts/lib/cluster.mjs';
import { startCluster, stopCluster } from '../../../scripts/lib/postgres.mjs';
import { roles } from '../../../scripts/lib/roles.mjs';
import { ensurePostgres } from '../../../scripts/lib/system-packages.mjs';

/** A real PostgreSQL of the tests' own, started once and thrown away. */
export default async function start() {
  const folder = mkdtempSync(path.join(tmpdir(), 'hygromet-test-'));
  chmodSync(folder, 0o755);
  const binaries = await ensurePostgres();
  const data = { cluster: path.join(folder, 'postgres'), settingsFile: path.join(folder, 'postgres.json') };
  const settings = await prepareCluster(binaries, data, { safe: false });
  const cluster = await startCluster(binaries, settings, data.settingsFile, { safe: false });
  for (const role of roles) process.env[`TEST_POSTGRES_${role.toUpperCase()}`] = urlOf(cluster.settings, role, 'postgres');
  globalThis.stopTestPostgres = async () => {
    await stopCluster(cluster);
    rmSync(folder, { recursive: true, force: true });
  };
}
