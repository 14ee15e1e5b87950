import { serve } from '@hono/node-server';
import { coreVersion } from '@hygromet/core/version';
import type { Logger } from 'pino';
import type { Config } from '../config';
import { pool } from '../computing/pool';
import { systemEnvironment, type Environment } from '../domain/environment';
import { warmRack } from '../domain/warm-rack';
import { readingSocket } from '../devices/reading-socket';
import { Receiver } from '../devices/receiver';
import { createApp } from '../http/app';
import { closeGently, keepAlive } from '../http/keep-alive';
import { keepDaysOfReadings } from '../live/keep-days';
import { LiveReadings } from '../live/live-readings';
import { keepSealing } from '../proof/seal-in-background';
import type { Db } from '../store/database';
import { differingBalances } from '../store/movement-store';

/** Until people have accounts it listens on loopback only. On SIGTERM or SIGINT open requests are finished first. */
export function serveUntilStopped(db: Db, config: Config, log: Logger): void {
  const threads = pool(new URL('./compute.mjs', import.meta.url));
  const environment = systemEnvironment(threads);
  void inTheBackground(db, environment, log);
  const stopSealing = keepSealing(db, log);
  const stopKeeping = keepDaysOfReadings(db, log);
  const live = new LiveReadings(db, config.databaseUrl, log);
  const receiver = new Receiver(db, environment);
  const { dataFolder, checkAnswers, webRoot } = config;
  const app = createApp({ db, environment, log, live, receiver, version: coreVersion, dataFolder, checkAnswers }, webRoot);
  const server = serve({ fetch: app.fetch, port: config.port, hostname: '127.0.0.1' }, ({ port }) => log.info({ port }, 'listening'));
  keepAlive(server);
  const closeSockets = readingSocket(server, receiver, log);
  const stop = () => {
    stopSealing();
    stopKeeping();
    closeSockets();
    void live.stop();
    closeGently(server, () => void Promise.allSettled([threads.close(), db.destroy()]).then(() => process.exit(0)));
  };
  process.once('SIGTERM', stop);
  process.once('SIGINT', stop);
  // whoever started the server and is killed takes it along: its end of the pipe closes
  if (process.env['STOP_WITH_STDIN'] !== undefined) process.stdin.once('end', stop).resume();
}

/** What nobody waits for: the balances compared, and the rack computed ahead. */
async function inTheBackground(db: Db, environment: Environment, log: Logger): Promise<void> {
  try {
    await warmRack(db, environment);
    for (const difference of await differingBalances(db)) log.error({ difference }, 'a balance is not the sum of its entries');
  } catch (error) {
    log.warn({ err: error }, 'stopped in the background'); // the database went away, or the server is being stopped
  }
}
