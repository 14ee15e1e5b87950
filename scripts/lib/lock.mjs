// @ts-check
import { readFileSync, rmSync } from 'node:fs';
import { readJson, writeJson } from './data-folder.mjs';
import { Stop } from './say.mjs';

/** @typedef {{ pid: number, port: number, since?: string }} Holder */

/** Whether that process lives and is one of ours: a number alone may have gone to another program. @param {number} pid @param {string} mark */
export function isOurs(pid, mark) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(mark);
  } catch {
    return false;
  }
}

/**
 * When a process was started, in ticks since the machine was: together with its number it is that process and no other.
 * @param {number} pid @returns {string | undefined}
 */
export function startOf(pid) {
  try {
    // the name in brackets may hold anything; the 20th field after it is the start (proc(5), starttime)
    return readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1)?.split(' ')[19];
  } catch {
    return undefined;
  }
}

/** Who runs on a data folder now; nobody where the lock is of a run that was killed. @param {string} file @returns {Holder | undefined} */
export function holderOf(file) {
  const holder = /** @type {Holder | undefined} */ (readJson(file));
  if (holder === undefined || holder.pid === process.pid) return undefined;
  if (holder.since === undefined) return isOurs(holder.pid, 'start.mjs') ? holder : undefined; // a lock of an earlier version
  const started = startOf(holder.pid);
  return started !== undefined && started === holder.since ? holder : undefined;
}

/**
 * One Hygromet for one data folder. The lock of a run that was killed is taken over without a word.
 * @param {string} file @param {number} port 0 for a command that serves nobody @returns {() => void} releases it
 */
export function takeLock(file, port) {
  const holder = holderOf(file);
  if (holder !== undefined)
    throw new Stop(
      holder.port === 0
        ? `Another command works with these data (process ${holder.pid}). Wait until it has ended, then start again.`
        : `Hygromet runs already with these data: http://127.0.0.1:${holder.port} (process ${holder.pid}). Open that, or stop it with: kill ${holder.pid}`,
    );
  writeJson(file, { pid: process.pid, port, since: startOf(process.pid) });
  return () => rmSync(file, { force: true });
}
