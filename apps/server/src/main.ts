import { serve } from '@hono/node-server';
import { coreVersion } from '@hygromet/core/version';
import { pino } from 'pino';
import { readConfig, type Config } from './config';
import { loadDemo } from './demo/load-demo';
import { realOutside } from './domain/outside';
import { warmRack } from './domain/warm-rack';
import { createApp } from './http/app';
import { closeGently, keepAlive } from './http/keep-alive';
import { connect, WITHOUT_END, type Db } from './store/database';
import { migrate } from './store/migrate';
import { differingBalances } from './store/movement-store';
import type { Logger } from 'pino';

/** `prepare` brings the database to shape and loads the demo data once; `serve` answers until it is told to stop. */
async function main(command: string | undefined): Promise<void> {
  const config = readConfig(process.env);
  const log = pino({ level: config.logLevel, base: null });
  const onError = (error: Error) => log.warn({ err: error }, 'a connection to PostgreSQL broke');
  if (command === 'prepare') await prepare(connect(config.databaseUrl, onError, WITHOUT_END));
  else if (command === 'serve') serveUntilStopped(connect(config.databaseUrl, onError), config, log);
  else throw new Error('Say what to do: prepare or serve.');
}

async function prepare(db: Db): Promise<void> {
  const done = await migrate(db);
  const loaded = await loadDemo(db, realOutside);
  await db.destroy();
  process.stdout.write(JSON.stringify({ migrations: done, demo: loaded }) + '\n');
}

/** What nobody waits for: the whole ledger proved, and the rack computed ahead. */
async function inTheBackground(db: Db, log: Logger): Promise<void> {
  try {
    await warmRack(db, realOutside);
    for (const difference of await differingBalances(db)) log.error({ difference }, 'a balance is not the sum of its entries');
  } catch (error) {
    log.warn({ err: error }, 'stopped in the background'); // the database went away, or the server is being stopped
  }
}

/** Until people have accounts it listens on loopback only. On SIGTERM or SIGINT open requests are finished first. */
function serveUntilStopped(db: Db, config: Config, log: Logger): void {
  void inTheBackground(db, log);
  const app = createApp({ db, outside: realOutside, log, version: coreVersion, dataFolder: config.dataFolder }, config.webRoot);
  const server = serve({ fetch: app.fetch, port: config.port, hostname: '127.0.0.1' }, ({ port }) => log.info({ port }, 'listening'));
  keepAlive(server);
  const stop = () => {
    closeGently(server, () => void db.destroy().then(() => process.exit(0)));
  };
  process.once('SIGTERM', stop);
  process.once('SIGINT', stop);
  // whoever started the server and is killed takes it along: its end of the pipe closes
  if (process.env['STOP_WITH_STDIN'] !== undefined) process.stdin.once('end', stop).resume();
}

main(process.argv[2]).catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
});
