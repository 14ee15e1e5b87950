// @ts-check
import { readFileSync, rmSync } from 'node:fs';
import { readJson, writeJson } from './data-folder.mjs';
import { Stop } from './say.mjs';

/** Whether that process lives and is one of ours: a number alone may have gone to another program. @param {number} pid @param {string} mark */
export function isOurs(pid, mark) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(mark);
  } catch {
    return false;
  }
}

/**
 * One Hygromet for one data folder. The lock of a run that was killed is taken over without a word.
 * @param {string} file @param {number} port @returns {() => void} releases it
 */
export function takeLock(file, port) {
  const holder = /** @type {{ pid: number, port: number } | undefined} */ (readJson(file));
  if (holder !== undefined && holder.pid !== process.pid && isOurs(holder.pid, 'start.mjs'))
    throw new Stop(
      `Hygromet runs already with these data: http://127.0.0.1:${holder.port} (process ${holder.pid}). Open that, or stop it with: kill ${holder.pid}`,
    );
  writeJson(file, { pid: process.pid, port });
  return () => rmSync(file, { force: true });
}
