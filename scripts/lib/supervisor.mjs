// @ts-check
import { setTimeout as sleep } from 'node:timers/promises';
import { startCluster, stopCluster, urlOf } from './postgres.mjs';
import { fail, say, Stop } from './say.mjs';
import { spawnServer, untilServing } from './server-process.mjs';

const MOST_RESTARTS = 5;
const WITHIN_MS = 60_000;

/** Keeps database and server running: one that dies is started again, and both end together. */
export class Supervisor {
  /** @type {import('node:child_process').ChildProcess | undefined} */
  #server;
  #stopping = false;
  /** @type {number[]} */
  #restarts = [];

  /** @param {import('./postgres.mjs').Cluster} cluster @param {string} settingsFile @param {number} port */
  constructor(cluster, settingsFile, port) {
    this.cluster = cluster;
    this.settingsFile = settingsFile;
    this.port = port;
    this.#watchDatabase();
  }

  async serve() {
    const server = spawnServer(urlOf(this.cluster.settings), this.port);
    this.#server = server;
    await untilServing(this.port, server);
    server.once('exit', () => this.#again('The server', () => this.serve()));
  }

  #watchDatabase() {
    this.cluster.process.once('exit', () =>
      this.#again('PostgreSQL', async () => {
        this.cluster = await startCluster(this.cluster.binaries, this.cluster.settings, this.settingsFile);
        this.#watchDatabase();
      }),
    );
  }

  /** @param {string} what @param {() => Promise<void>} start */
  #again(what, start) {
    if (this.#stopping) return;
    const now = Date.now();
    this.#restarts = [...this.#restarts.filter((at) => now - at < WITHIN_MS), now];
    if (this.#restarts.length > MOST_RESTARTS)
      return void this.stop().then(() =>
        fail(new Stop(`${what} stopped ${MOST_RESTARTS} times within a minute. What it said stands above.`)),
      );
    say(`${what} stopped unexpectedly; starting it again. What was booked is safe.`);
    void sleep(300)
      .then(start)
      .catch(async (error) => {
        await this.stop();
        fail(error);
      });
  }

  async stop() {
    if (this.#stopping) return;
    this.#stopping = true;
    const server = this.#server;
    if (server !== undefined && server.exitCode === null && server.signalCode === null) {
      const ended = new Promise((resolve) => server.once('exit', resolve));
      server.kill('SIGTERM');
      await Promise.race([ended, sleep(5000).then(() => server.kill('SIGKILL'))]);
    }
    await stopCluster(this.cluster);
  }
}
