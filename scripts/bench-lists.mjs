// @ts-check
import { buildSync } from 'esbuild';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { at } from './lib/paths.mjs';
import { prepareCluster, urlOf } from './lib/cluster.mjs';
import { asOwner } from './lib/databases.mjs';
import { startCluster, stopCluster } from './lib/postgres.mjs';
import { ensurePostgres } from './lib/system-packages.mjs';

const SMALL = 10_000;
const LARGE = 1_000_000;

/** Lists and bookings with a small and a large ledger, in a database of their own; what counts is the ratio. */
export async function benchLists() {
  const bundle = at('dist/bench/lists.mjs');
  buildSync({
    entryPoints: [at('apps/server/bench/lists.ts')],
    outfile: bundle,
    bundle: true,
    platform: 'node',
    format: 'esm',
    external: ['pg-native'],
    banner: { js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);" },
    logLevel: 'error',
  });
  /** @type {{ timesWith: (url: string, movements: number) => Promise<Record<string, number>> }} */
  const { timesWith } = await import(pathToFileURL(bundle).href);

  const folder = mkdtempSync(path.join(tmpdir(), 'hygromet-bench-'));
  chmodSync(folder, 0o755);
  const binaries = await ensurePostgres();
  const data = { cluster: path.join(folder, 'postgres'), settingsFile: path.join(folder, 'postgres.json') };
  const cluster = await startCluster(binaries, await prepareCluster(binaries, data), data.settingsFile);
  try {
    const [few, many] = [await measured(SMALL), await measured(LARGE)];
    process.stdout.write(`\nMedians with ${LARGE} entries in the ledger, and their ratio to those with ${SMALL}:\n\n`);
    for (const [name, time] of Object.entries(many))
      process.stdout.write(`${name.padEnd(56)}${time.toFixed(1).padStart(9)} ms${(time / (few[name] ?? NaN)).toFixed(2).padStart(8)} ×\n`);
  } finally {
    await stopCluster(cluster);
    rmSync(folder, { recursive: true, force: true });
  }

  /** @param {number} movements */
  async function measured(movements) {
    const name = `bench_${movements}`;
    await asOwner(cluster.settings, 'postgres', `create database ${name}`);
    return timesWith(urlOf(cluster.settings, 'owner', name), movements);
  }
}
