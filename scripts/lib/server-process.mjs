// @ts-check
import { spawn } from 'node:child_process';
import { setTimeout as sleep } from 'node:timers/promises';
import { SERVER, WEB_ROOT } from './build.mjs';
import { hasEnded } from './postgres.mjs';
import { run } from './run.mjs';
import { say, Stop } from './say.mjs';

const NOT_EMPTY = `This data folder holds the demo, and it stays as it is. Begin with your own firm in another folder:

  npm start -- --empty --data firm

or throw the demo away: npm start -- --empty --reset-demo`;

/**
 * Migrations and, on an empty database, the demo data or a firm without any.
 * @param {string} databaseUrl @param {{ empty?: boolean }} [options]
 */
export async function prepareDatabase(databaseUrl, { empty = false } = {}) {
  const { code, output } = await run(process.execPath, ['--enable-source-maps', SERVER, 'prepare', ...(empty ? ['--empty'] : [])], {
    env: { ...process.env, DATABASE_URL: databaseUrl },
  });
  if (code !== 0) throw new Stop(`The database could not be brought to shape; nothing in it was changed.\n${output.slice(-2000)}`);
  const { migrations, opened, demo } = JSON.parse(output.trim().split('\n').at(-1) ?? '{}');
  if (migrations.length > 0) say(`migrated the database (${migrations.join(', ')})`);
  if (opened) say(demo ? 'loaded the demo data of Tidewrack Cold Works' : 'opened an empty house: name your firm on the first page');
  if (empty && demo) throw new Stop(NOT_EMPTY);
}

/** The heap is cleaned up before it grows, not when the machine runs short. Measured: 10 000 cylinders imported and listed, 212 MB in all. */
const HEAP = ['--max-old-space-size=224', '--max-semi-space-size=12'];

/**
 * The server ends with its standard input: killed or not, the start script takes it along.
 * @param {string} databaseUrl @param {number} port @param {string} dataFolder whose disk it watches
 */
export function spawnServer(databaseUrl, port, dataFolder) {
  return spawn(process.execPath, [...HEAP, '--enable-source-maps', SERVER, 'serve'], {
    env: { ...process.env, DATABASE_URL: databaseUrl, PORT: String(port), WEB_ROOT, DATA_FOLDER: dataFolder, STOP_WITH_STDIN: '1' },
    stdio: ['pipe', 'inherit', 'inherit'],
    detached: true,
  });
}

const HEALTH_WITHIN_MS = 3000;

/**
 * What the server says of itself: that it serves, that it serves without its database, or nothing.
 * @param {number} port @returns {Promise<'serving' | 'without-database' | 'silent'>}
 */
export async function healthOf(port) {
  try {
    const answer = await fetch(`http://127.0.0.1:${port}/readyz`, { signal: AbortSignal.timeout(HEALTH_WITHIN_MS) });
    const { database } = /** @type {{ database: string }} */ (await answer.json());
    return database === 'ok' ? 'serving' : 'without-database';
  } catch {
    return 'silent';
  }
}

/** @param {number} port @param {import('node:child_process').ChildProcess} child */
export async function untilServing(port, child) {
  for (let attempt = 0; attempt < 600; attempt++) {
    if (hasEnded(child)) throw new Stop('The server stopped while starting; what it said stands above.');
    if ((await healthOf(port)) !== 'silent') return;
    await sleep(50);
  }
  throw new Stop('The server did not answer within 30 s; what it said stands above.');
}
