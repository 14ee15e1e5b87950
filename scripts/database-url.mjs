// @ts-check
import { openDataFolder, readJson } from './lib/data-folder.mjs';
import { isFree } from './lib/ports.mjs';
import { urlOf } from './lib/cluster.mjs';
import { fail, Stop } from './lib/say.mjs';
import { startOptions } from './lib/start-options.mjs';

/** Prints where the running database is, for people who want to look, as a role that may only read: npm run -s database-url [-- --data DIR] */
async function main() {
  const { dataFolder } = startOptions(process.argv.slice(2));
  const settings = /** @type {import('./lib/cluster.mjs').Settings | undefined} */ (readJson(openDataFolder(dataFolder).settingsFile));
  if (settings === undefined || (await isFree(settings.port))) throw new Stop('The database is not running. Start it with: npm start');
  process.stdout.write(`${urlOf(settings, 'reader')}\n`);
}

main().catch(fail);
