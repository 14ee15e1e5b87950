// @ts-check
import { spawn } from 'node:child_process';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { INSTRUMENTS } from './build.mjs';
import { isFree } from './ports.mjs';
import { say } from './say.mjs';

const AGAIN_MS = 2000;

/** The simulated instruments beside the server: nobody depends on them, and where they cannot run the server does without. */
export class KeptInstruments {
  /** @type {import('node:child_process').ChildProcess | undefined} */
  #process;
  #stopping = false;

  /** @param {number} port @param {number} serverPort @param {string} dataFolder keeps the token of their gateway */
  constructor(port, serverPort, dataFolder) {
    this.port = port;
    this.serverPort = serverPort;
    this.dataFolder = dataFolder;
  }

  get running() {
    return this.#process !== undefined;
  }

  async start() {
    if (!(await isFree(this.port))) {
      say(`Port ${this.port} is used by another program: no simulated instruments. Choose another with --instruments N.`);
      return;
    }
    this.#spawn();
  }

  #spawn() {
    const child = spawn(process.execPath, ['--max-old-space-size=128', '--enable-source-maps', INSTRUMENTS], {
      env: {
        ...process.env,
        PORT: String(this.port),
        SERVER: `http://127.0.0.1:${this.serverPort}`,
        TOKEN_FILE: path.join(this.dataFolder, 'instruments-token'),
      },
      stdio: ['pipe', 'ignore', 'inherit'],
    });
    this.#process = child;
    child.once('exit', async () => {
      if (this.#stopping) return;
      await sleep(AGAIN_MS);
      if (!this.#stopping) this.#spawn();
    });
  }

  async stop() {
    this.#stopping = true;
    this.#process?.kill('SIGTERM');
  }
}
