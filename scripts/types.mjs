// @ts-check
import { at } from './lib/paths.mjs';
import { run } from './lib/run.mjs';
import { fail, Stop } from './lib/say.mjs';

/** The compiler of TypeScript 7: it reads everything in the time that the other needs for one part. Angular builds with the other. */
const COMPILER = at('node_modules/typescript-native/bin/tsc');

const PROJECTS = [
  'packages/core/tsconfig.src.json',
  'packages/core',
  'packages/contract',
  'apps/server',
  'apps/instruments',
  'apps/web/tsconfig.worker.json',
  'e2e',
  'scripts',
];

/** Types of every part, and the templates of the web application unless its tests are compiled anyway.  [--without-web] */
async function main() {
  const results = [];
  for (const project of PROJECTS) results.push(await run('node', [COMPILER, '-p', at(project), '--noEmit']));
  if (!process.argv.includes('--without-web')) results.push(await run('npx', ['ngc', '-p', 'apps/web/tsconfig.json', '--noEmit']));
  const failed = results.filter(({ code }) => code !== 0);
  if (failed.length > 0) throw new Stop(failed.map(({ output }) => output).join('\n'));
}

main().catch(fail);
