// @ts-check
import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { at } from '../lib/paths.mjs';

/** The application as a person starts it, on an empty folder of its own. @param {number} port */
export async function openHouse(port) {
  const folder = mkdtempSync(path.join(tmpdir(), 'hygromet-campaign-'));
  chmodSync(folder, 0o755);
  const child = spawn(process.execPath, [at('scripts/start.mjs'), '--port', String(port), '--data', folder, '--backups', 'none'], {
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (/** @type {Buffer} */ chunk) => (said += chunk.toString()));
  const ended = new Promise((resolve) => child.once('exit', resolve));
  while (!said.includes('Hygromet is ready')) {
    if (child.exitCode !== null) throw new Error(`the application did not start:\n${said}`);
    await sleep(100);
  }
  return {
    folder,
    url: `http://127.0.0.1:${port}`,
    starter: /** @type {number} */ (child.pid),
    said: () => said,
    alive: () => child.exitCode === null && child.signalCode === null,
    close: async () => {
      child.kill('SIGINT');
      await ended;
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** @typedef {Awaited<ReturnType<typeof openHouse>>} House */
