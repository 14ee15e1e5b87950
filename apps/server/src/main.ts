import { pino } from 'pino';
import { readConfig } from './config';
import { prepare } from './commands/prepare';
import { serveUntilStopped } from './commands/serve';
import { verify } from './commands/verify';
import { loggedError } from './logged-error';
import { connect, WITHOUT_END } from './store/database';

/**
 * `prepare` brings the database to shape and loads the demo data once; `serve` answers until it is told to stop; `verify` proves the ledger,
 * against a seal that was kept (`ENTRIES:HASH`) where one is given.
 */
async function main([command, ...args]: readonly string[]): Promise<void> {
  const config = readConfig(process.env);
  const log = pino({ level: config.logLevel, base: null, serializers: { err: loggedError } });
  const db = (patience?: typeof WITHOUT_END) =>
    connect(config.databaseUrl, ({ message }) => log.warn({ reason: message }, 'a connection to PostgreSQL broke'), patience);
  if (command === 'prepare') await prepare(db(WITHOUT_END), process.argv.includes('--empty'));
  else if (command === 'verify') await verify(db(WITHOUT_END), args[0]);
  else if (command === 'serve') serveUntilStopped(db(), config, log);
  else throw new Error('Say what to do: prepare, serve or verify.');
}

main(process.argv.slice(2)).catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
});
