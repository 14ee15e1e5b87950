// @ts-check
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { at } from './paths.mjs';
import { whenChanged } from './fingerprint.mjs';
import { mergeFiles } from './merge-files.mjs';
import { run } from './run.mjs';
import { say, Stop } from './say.mjs';

const SHARED = ['packages/core/src', 'packages/contract/src', 'tsconfig.base.json', 'package-lock.json'];

export const SERVER = at('dist/server/main.mjs');
/** What the threads of the server run. */
const COMPUTE = at('dist/server/compute.mjs');
/** The simulated instruments. */
export const INSTRUMENTS = at('dist/instruments/main.mjs');
export const WEB_ROOT = at('dist/web/browser');

export const PROPERTIES = at('dist/server/properties.mjs');
export const COMPUTE_LINE = at('dist/server/compute-line.mjs');

const SERVER_SOURCES = [...SHARED, 'apps/server/src', 'demo', 'scripts/lib/build.mjs'];

/** @param {string} entry @param {string} outfile */
async function bundle(entry, outfile) {
  const { build } = await import('esbuild');
  await build({
    entryPoints: [at(entry)],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: true,
    tsconfig: at('apps/server/tsconfig.json'),
    // the page of the instruments is part of their program
    loader: { '.html': 'text', '.script.js': 'text' },
    // piscina starts threads from a file of its own, highs has its WebAssembly beside it
    external: ['pg-native', 'piscina', 'highs'],
    // packages that still ask for modules by `require` find one
    banner: { js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);" },
    logLevel: 'error',
  });
}

export const buildServer = () =>
  whenChanged(
    'dist/server.stamp',
    SERVER_SOURCES,
    async () => {
      say('building the server');
      await bundle('apps/server/src/main.ts', SERVER);
      await bundle('apps/server/src/computing/worker.ts', COMPUTE);
    },
    ['dist/server/main.mjs', 'dist/server/compute.mjs'],
  );

export const buildInstruments = () =>
  whenChanged(
    'dist/instruments.stamp',
    [...SHARED, 'apps/instruments/src', 'scripts/lib/build.mjs'],
    async () => {
      say('building the simulated instruments');
      await bundle('apps/instruments/src/main.ts', INSTRUMENTS);
    },
    ['dist/instruments/main.mjs'],
  );

/** The property core on the command line: small, and up in a moment. */
export const buildProperties = () =>
  whenChanged('dist/properties.stamp', SERVER_SOURCES, () => bundle('apps/server/src/properties-main.ts', PROPERTIES), [
    'dist/server/properties.mjs',
  ]);

/** Everything beyond the property core on the command line. */
export const buildComputeLine = () =>
  whenChanged('dist/compute-line.stamp', SERVER_SOURCES, () => bundle('apps/server/src/compute-main.ts', COMPUTE_LINE), [
    'dist/server/compute-line.mjs',
  ]);

/** A brotli beside every text file: the server gives it to whoever understands it, and compresses nothing twice. @param {string} folder */
function compressFiles(folder) {
  for (const entry of readdirSync(folder, { recursive: true, encoding: 'utf8' })) {
    const file = path.join(folder, entry);
    if (/\.(js|css|html|svg)$/.test(file)) writeFileSync(`${file}.br`, brotliCompressSync(readFileSync(file)));
  }
}

export const buildWeb = () =>
  whenChanged(
    'dist/web.stamp',
    [...SHARED, 'apps/web', 'angular.json', 'scripts/lib/build.mjs', 'scripts/lib/merge-files.mjs', 'scripts/lib/file-groups.mjs'],
    async () => {
      say('building the web application (half a minute)');
      const { code, output } = await run('npx', ['ng', 'build'], { env: { ...process.env, NG_CLI_ANALYTICS: 'false', CI: '1' } });
      if (code !== 0) throw new Stop(`The web application could not be built.\n${output}`);
      await mergeFiles(WEB_ROOT);
      compressFiles(WEB_ROOT);
    },
    ['dist/web/browser'],
  );
