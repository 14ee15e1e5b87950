// @ts-check
import { buildSync } from 'esbuild';
import { pathToFileURL } from 'node:url';
import { at } from '../lib/paths.mjs';
import { urlOf } from '../lib/cluster.mjs';
import { asOwner } from '../lib/databases.mjs';

const SMALL = 10_000;
const LARGE = 1_000_000;

/**
 * Lists and bookings with a small and a large ledger, each in a database of its own; what counts is the ratio.
 * @param {import('../lib/cluster.mjs').Settings} settings
 */
export async function benchLists(settings) {
  const bundle = at('dist/bench/lists.mjs');
  buildSync({
    entryPoints: [at('apps/server/bench/lists.ts')],
    outfile: bundle,
    bundle: true,
    platform: 'node',
    format: 'esm',
    external: ['pg-native', 'piscina'],
    banner: { js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);" },
    logLevel: 'error',
  });
  /** @type {{ timesWith: (url: string, movements: number) => Promise<Record<string, number>> }} */
  const { timesWith } = await import(pathToFileURL(bundle).href);

  const [few, many] = [await measured(SMALL), await measured(LARGE)];
  process.stdout.write(`\nMedians with ${LARGE} entries in the ledger, and their ratio to those with ${SMALL}:\n\n`);
  for (const [name, time] of Object.entries(many))
    process.stdout.write(`${name.padEnd(56)}${time.toFixed(1).padStart(9)} ms${(time / (few[name] ?? NaN)).toFixed(2).padStart(8)} ×\n`);

  /** @param {number} movements */
  async function measured(movements) {
    const name = `bench_${movements}`;
    await asOwner(settings, 'postgres', `create database ${name}`);
    return timesWith(urlOf(settings, 'owner', name), movements);
  }
}
