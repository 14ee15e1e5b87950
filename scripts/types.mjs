// @ts-check
import { at } from './lib/paths.mjs';
import { run } from './lib/run.mjs';
import { fail, Stop } from './lib/say.mjs';

const projects = [
  'packages/core',
  'packages/core/tsconfig.test.json',
  'packages/contract',
  'apps/server',
  'apps/instruments',
  'apps/web/tsconfig.spec.json',
  'e2e',
  'scripts',
];

/** Type-checks every part, what has not changed from memory; the web application's templates are checked by its build.  [--without project] */
async function main() {
  const results = [];
  const [flag, left] = process.argv.slice(2);
  for (const project of projects.filter((each) => flag !== '--without' || each !== left)) {
    const known = at('.data/cache/types', `${project.replaceAll('/', '-')}.tsbuildinfo`);
    results.push(await run('npx', ['tsc', '-p', project, '--incremental', '--tsBuildInfoFile', known]));
  }
  const failed = results.filter(({ code }) => code !== 0);
  if (failed.length > 0) throw new Stop(failed.map(({ output }) => output).join('\n'));
}

main().catch(fail);
