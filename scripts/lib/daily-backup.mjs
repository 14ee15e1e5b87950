// @ts-check
import { existsSync, readdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import { at } from './paths.mjs';
import { isDue, outlived } from './retention.mjs';
import { run } from './run.mjs';
import { say } from './say.mjs';

const LOOK_EVERY_MS = 10 * 60_000;

/** Once a day, as long as Hygromet runs: a proved backup, and those that nobody needs any more thrown away. @param {string} dataFolder @param {string} folder */
export function keepBackups(dataFolder, folder) {
  let busy = false;
  const timer = setInterval(async () => {
    const names = existsSync(folder) ? readdirSync(folder) : [];
    if (busy || !isDue(names, new Date())) return;
    busy = true;
    try {
      const { code, output } = await run(process.execPath, [at('scripts/backup.mjs'), folder, '--data', dataFolder]);
      say(code === 0 ? output.trim() : `TODAY'S BACKUP FAILED. ${output.trim()}`);
      if (code === 0) for (const name of outlived(readdirSync(folder))) throwAway(path.join(folder, name));
    } finally {
      busy = false;
    }
  }, LOOK_EVERY_MS);
  timer.unref();
}

/** @param {string} file */
function throwAway(file) {
  rmSync(file, { force: true });
  rmSync(`${file}.json`, { force: true });
}
