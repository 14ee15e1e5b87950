// @ts-check
import { run } from './lib/run.mjs';
import { fail, Stop } from './lib/say.mjs';

/** What was looked at and has not changed since is known by heart. @param {string} name */
const cache = (name) => ['--cache', '--cache-location', `.data/cache/${name}/`];

/** @param {string} name @param {string[]} files */
const eslint = (name, files) => run('npx', ['eslint', '--max-warnings', '0', ...cache(name), ...files]);

/** In parts that can run beside each other: ESLint, with the direction of imports and the ban on cycles, reads the types of either part for itself. */
const PARTS = {
  web: () => eslint('eslint-web', ['apps/web', 'e2e']),
  rest: () => eslint('eslint-rest', ['.', '--ignore-pattern', 'apps/web/', '--ignore-pattern', 'e2e/']),
  format: () => run('npx', ['prettier', '--check', '--log-level', 'warn', '--cache', '--cache-location', '.data/cache/prettier', '.']),
};

/** All parts, or the one that is named. */
async function main() {
  const [only] = process.argv.slice(2);
  if (only !== undefined && !(only in PARTS))
    throw new Stop(`Nothing here is called ${only}. Choose one of ${Object.keys(PARTS).join(', ')}.`);
  for (const [name, check] of Object.entries(PARTS)) {
    if (only !== undefined && name !== only) continue;
    const { code, output } = await check();
    if (code !== 0) throw new Stop(name === 'format' ? `${output}\nTo format: npm run format` : output);
  }
}

main().catch(fail);
