// @ts-check
import { spawn } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { databasePort } from './cluster-port.mjs';
import { asDatabaseUser } from './database-user.mjs';
import { writeJson } from './data-folder.mjs';
import { isOurs } from './lock.mjs';
import { isFree } from './ports.mjs';
import { run } from './run.mjs';
import { say, Stop } from './say.mjs';

/**
 * @typedef {import('./cluster.mjs').Settings} Settings
 * @typedef {{ binaries: string, settings: Settings, process: import('node:child_process').ChildProcess, log: () => string }} Cluster
 */

/**
 * Starts the server of a cluster on loopback. One that an earlier, killed run has left is stopped first, in order.
 * @param {string} binaries @param {Settings} settings @param {string} settingsFile @param {{ safe?: boolean }} [options]
 * @returns {Promise<Cluster>}
 */
export async function startCluster(binaries, settings, settingsFile, { safe = true } = {}) {
  await stopLeftover(binaries, settings.cluster);
  if (!(await isFree(settings.port))) {
    const port = await databasePort();
    say(`another program has taken port ${settings.port} of the database; it moves to ${port}`);
    settings = { ...settings, port };
    writeJson(settingsFile, settings);
  }
  const options = [
    'listen_addresses=127.0.0.1',
    'unix_socket_directories=',
    ...(safe ? [] : ['fsync=off', 'full_page_writes=off', 'synchronous_commit=off']),
  ];
  const [program, args] = asDatabaseUser(path.join(binaries, 'postgres'), [
    '-D',
    settings.cluster,
    '-p',
    String(settings.port),
    ...options.flatMap((option) => ['-c', option]),
  ]);
  // a group of its own: Ctrl-C reaches the start script alone, which stops the server first and the database after it
  const child = spawn('/bin/sh', ['-c', ENDS_WITH_ITS_STARTER, 'sh', program, ...args], {
    cwd: '/',
    stdio: ['pipe', 'ignore', 'pipe'],
    detached: true,
  });
  let log = '';
  child.stderr.on('data', (/** @type {Buffer} */ chunk) => (log = (log + chunk.toString()).slice(-4000)));
  const cluster = { binaries, settings, process: child, log: () => log };
  await untilReady(cluster);
  return cluster;
}

/**
 * PostgreSQL under a shell that shuts it down in order as soon as whoever started it is gone, killed or not: the pipe of its standard input
 * closes then. `exec 3` keeps that pipe: the shell takes standard input away from what runs in the background.
 */
const ENDS_WITH_ITS_STARTER = `exec 3<&0
"$@" 3<&- </dev/null & server=$!
( read -r _ <&3; kill -INT $server ) 2>/dev/null & watch=$!
exec 3<&-
wait $server; code=$?
kill $watch 2>/dev/null
exit $code`;

/** @param {Cluster} cluster */
async function untilReady(cluster) {
  const { process: child, log } = cluster;
  // one that recovers from a crash says so, and takes the time it needs: only silence is counted
  for (let silent = 0; silent < 600;) {
    if (hasEnded(child)) {
      if (/No space left/.test(log()))
        throw new Stop('The disk is full: PostgreSQL cannot start. Free some space and start again; what was booked is safe.');
      throw new Stop(`PostgreSQL did not start.\n${log()}`);
    }
    const state = await stateOf(cluster);
    if (state === 'ready') return;
    if (state === 'silent') silent++;
    await sleep(50);
  }
  throw new Stop(`PostgreSQL did not answer within 30 s.\n${log()}`);
}

/** One that an earlier, killed run has left is stopped in order. @param {string} binaries @param {string} cluster */
export async function stopLeftover(binaries, cluster) {
  const pidFile = path.join(cluster, 'postmaster.pid');
  if (!existsSync(pidFile)) return;
  const pid = Number(readFileSync(pidFile, 'utf8').split('\n')[0]);
  if (!isOurs(pid, cluster)) return; // stale: PostgreSQL clears it away itself
  const [program, args] = asDatabaseUser(path.join(binaries, 'pg_ctl'), ['-D', cluster, '-m', 'fast', '-w', 'stop']);
  await run(program, args, { cwd: '/' });
}

/** Whether PostgreSQL takes connections: `starting` also while it recovers from a crash. @param {Cluster} cluster */
export async function stateOf({ binaries, settings }) {
  const { code } = await run(path.join(binaries, 'pg_isready'), ['-q', '-t', '3', '-h', '127.0.0.1', '-p', String(settings.port)]);
  return code === 0 ? 'ready' : code === 1 ? 'starting' : 'silent';
}

/** Ended by itself or by a signal. @param {import('node:child_process').ChildProcess} child */
export const hasEnded = (child) => child.exitCode !== null || child.signalCode !== null;

/** Ends the database in order: no process stays. @param {Cluster} cluster */
export async function stopCluster({ process: child }) {
  if (hasEnded(child)) return;
  const ended = new Promise((resolve) => child.once('exit', resolve));
  child.stdin?.end(); // fast shutdown
  await ended;
}
