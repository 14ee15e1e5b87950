// @ts-check
import { setTimeout as sleep } from 'node:timers/promises';
import { urlOf } from './cluster.mjs';
import { Patience } from './patience.mjs';
import { hasEnded, startCluster, stateOf, stopCluster } from './postgres.mjs';
import { say, sentenceOf } from './say.mjs';
import { healthOf, spawnServer, untilServing } from './server-process.mjs';

const LOOK_EVERY_MS = 2000;
/** So many looks without an answer, one after the other, and it is taken for dead though its process lives. */
const SILENT_LOOKS = 8;

/** @typedef {'server' | 'database' | 'link'} Watched */

/**
 * Keeps database and server running: whichever dies is started again, however often, with growing pauses; one that lives and does not
 * answer is ended first. Both end together, when a person says so.
 */
export class Supervisor {
  /** @type {import('node:child_process').ChildProcess | undefined} */
  #server;
  #stopping = false;

  /** @param {import('./postgres.mjs').Cluster} cluster @param {string} settingsFile @param {number} port @param {string} dataFolder */
  constructor(cluster, settingsFile, port, dataFolder) {
    this.cluster = cluster;
    this.settingsFile = settingsFile;
    this.port = port;
    this.dataFolder = dataFolder;
    void this.#keepDatabase();
  }

  /** Resolves when it answers for the first time; an error then is one that a person has to mend. */
  async serve() {
    await this.#startServer();
    void this.#keepServer();
    void this.#watch();
  }

  async #startServer() {
    const server = spawnServer(urlOf(this.cluster.settings, 'app'), this.port, this.dataFolder);
    this.#server = server;
    try {
      await untilServing(this.port, server);
    } catch (error) {
      kill(server);
      throw error;
    }
  }

  async #keepServer() {
    const patience = new Patience();
    for (let since = performance.now(); ; since = performance.now()) {
      const server = /** @type {import('node:child_process').ChildProcess} */ (this.#server);
      await endOf(server);
      if (this.#stopping) return;
      await this.#again('The server', patience, performance.now() - since, () => this.#startServer());
    }
  }

  async #keepDatabase() {
    const patience = new Patience();
    for (let since = performance.now(); ; since = performance.now()) {
      await endOf(this.cluster.process);
      if (this.#stopping) return;
      const port = this.cluster.settings.port;
      await this.#again('PostgreSQL', patience, performance.now() - since, async () => {
        this.cluster = await startCluster(this.cluster.binaries, this.cluster.settings, this.settingsFile);
      });
      // the server knows the database by its old address only
      if (this.cluster.settings.port !== port) this.#server?.kill('SIGTERM');
    }
  }

  /** @param {string} what @param {Patience} patience @param {number} livedMs @param {() => Promise<void>} start */
  async #again(what, patience, livedMs, start) {
    say(`${what} stopped unexpectedly; starting it again. What was booked is safe.`);
    for (let told = ''; !this.#stopping;) {
      await sleep(patience.next(told === '' ? livedMs : 0));
      if (this.#stopping) return;
      try {
        return await start();
      } catch (error) {
        const sentence = sentenceOf(error);
        if (sentence !== told) say(`${what} could not be started; trying again. ${sentence}`);
        told = sentence;
      }
    }
  }

  /** A process that hangs does not end by itself; nor does a server find a database again that it looks for elsewhere. */
  async #watch() {
    /** @type {Record<Watched, number>} */
    const silent = { server: 0, database: 0, link: 0 };
    while (!this.#stopping) {
      await sleep(LOOK_EVERY_MS);
      try {
        await this.#look(silent);
      } catch (error) {
        say(`Could not look whether all is well; looking again. ${sentenceOf(error)}`); // such as no memory for a moment
      }
    }
  }

  /** @param {Record<Watched, number>} silent */
  async #look(silent) {
    const [server, database] = [this.#server, this.cluster.process];
    const heard = server === undefined || hasEnded(server) ? 'nothing' : await healthOf(this.port);
    const state = hasEnded(database) ? 'ended' : await stateOf(this.cluster);
    count(silent, 'server', heard === 'silent');
    count(silent, 'database', state === 'silent');
    count(silent, 'link', heard === 'without-database' && state === 'ready');
    if (silent.server >= SILENT_LOOKS || silent.link >= SILENT_LOOKS) {
      say('The server does not answer; ending it.');
      kill(server);
      silent.server = silent.link = 0;
    }
    if (silent.database >= SILENT_LOOKS) {
      say('PostgreSQL does not answer; ending it.');
      kill(database);
      silent.database = 0;
    }
  }

  async stop() {
    if (this.#stopping) return;
    this.#stopping = true;
    const server = this.#server;
    if (server !== undefined && !hasEnded(server)) {
      const ended = endOf(server);
      server.kill('SIGTERM');
      await Promise.race([ended, sleep(5000).then(() => kill(server))]);
    }
    await stopCluster(this.cluster);
  }
}

/** @param {Record<Watched, number>} silent @param {Watched} which @param {boolean} wrong */
const count = (silent, which, wrong) => void (silent[which] = wrong ? silent[which] + 1 : 0);

/** With its whole group: a shell stands before PostgreSQL. @param {import('node:child_process').ChildProcess | undefined} child */
function kill(child) {
  if (child?.pid === undefined || hasEnded(child)) return;
  try {
    process.kill(-child.pid, 'SIGKILL');
  } catch {
    // it ended by itself meanwhile
  }
}

/** @param {import('node:child_process').ChildProcess} child @returns {Promise<void>} */
const endOf = (child) => (hasEnded(child) ? Promise.resolve() : new Promise((resolve) => child.once('exit', () => resolve())));
