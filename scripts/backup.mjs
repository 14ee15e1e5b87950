// @ts-check
import path from 'node:path';
import { makeBackup } from './lib/backup.mjs';
import { buildServer } from './lib/build.mjs';
import { dataOptions } from './lib/data-options.mjs';
import { ensureDependencies } from './lib/dependencies.mjs';
import { fail, Stop } from './lib/say.mjs';

const HELP = `npm run backup -- FOLDER              write a backup into that folder, and prove it
npm run backup -- FOLDER --data DIR   of the data in another folder`;

/** A backup that was proved by restoring it. */
async function main() {
  const { word, dataFolder } = dataOptions(process.argv.slice(2), { help: HELP });
  if (word === undefined) throw new Stop(`Say where it goes: best to another disk.\n\n${HELP}`);
  await ensureDependencies();
  await buildServer();
  const { file, manifest } = await makeBackup(dataFolder, path.resolve(word));
  const megabytes = (manifest.bytes / 1e6).toFixed(1);
  process.stdout.write(`${file}: ${megabytes} MB, restored for a trial and proved. Seal: ${manifest.seal}\n`);
}

main().catch(fail);
