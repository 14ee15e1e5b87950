// @ts-check
import { run } from './lib/run.mjs';
import { fail, Stop } from './lib/say.mjs';

/** ESLint (with the direction of imports and the ban on cycles) and the format of every file. */
async function main() {
  const lint = await run('npx', ['eslint', '.', '--max-warnings', '0', '--cache', '--cache-location', '.data/cache/eslint/']);
  if (lint.code !== 0) throw new Stop(lint.output);
  const format = await run('npx', [
    'prettier',
    '--check',
    '--log-level',
    'warn',
    '--cache',
    '--cache-location',
    '.data/cache/prettier',
    '.',
  ]);
  if (format.code !== 0) throw new Stop(`${format.output}\nTo format: npm run format`);
}

main().catch(fail);
