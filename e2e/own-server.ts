import { spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import path from 'node:path';
import { INSTRUMENTS, SERVER, WEB_ROOT } from '../scripts/lib/build.mjs';
import { DATABASE, urlOf } from '../scripts/lib/cluster.mjs';
import { asOwner } from '../scripts/lib/databases.mjs';
import { freePort, isFree } from '../scripts/lib/ports.mjs';
import { untilServing } from '../scripts/lib/server-process.mjs';
import { theCluster } from './demo-cluster';

/** The server of one file of tests, on a copy of the demo data that nobody else changes. */
interface OwnServer {
  readonly file: string;
  readonly port: number;
  readonly url: string;
  readonly process: ChildProcess;
  instruments?: { readonly url: string; readonly process: ChildProcess };
}

let current: OwnServer | undefined;

/** Starts it with the first test of a file; that of the file before ends. */
export async function ownServer(file: string): Promise<OwnServer> {
  if (current?.file === file) return current;
  await endOwnServer();
  const { settings, folder } = theCluster();
  const database = `file_${randomUUID().replaceAll('-', '')}`;
  await asOwner(settings, 'postgres', `create database ${database} template ${DATABASE}`);
  // the privileges on a database itself do not come with its copy
  await asOwner(settings, 'postgres', `grant connect on database ${database} to hygromet_app, hygromet_reader`);
  const port = await freePort();
  const server = started(SERVER, ['serve'], {
    DATABASE_URL: urlOf(settings, 'app', database),
    PORT: String(port),
    WEB_ROOT,
    DATA_FOLDER: folder,
  });
  await untilServing(port, server);
  current = { file, port, url: `http://127.0.0.1:${port}`, process: server };
  return current;
}

/** Where the simulated instruments of this file's server are played. */
export async function ownInstruments(file: string): Promise<string> {
  const server = await ownServer(file);
  if (server.instruments === undefined) {
    const port = await freePort();
    const token = path.join(theCluster().folder, `token-${port}`);
    const simulated = started(INSTRUMENTS, [], { PORT: String(port), SERVER: server.url, TOKEN_FILE: token });
    await untilPlayed(port);
    server.instruments = { url: `http://127.0.0.1:${port}`, process: simulated };
  }
  return server.instruments.url;
}

/** Until they answer on their page. */
async function untilPlayed(port: number): Promise<void> {
  const deadline = Date.now() + 30_000;
  while (await isFree(port)) {
    if (Date.now() > deadline) throw new Error('the simulated instruments did not start');
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}

/** With the process that runs the tests. */
export async function endOwnServer(): Promise<void> {
  const ended = [current?.process, current?.instruments?.process].map(end);
  current = undefined;
  await Promise.all(ended);
}

/** It ends with its standard input, so none is left behind. */
function started(program: string, args: readonly string[], env: Record<string, string>): ChildProcess {
  return spawn(process.execPath, ['--enable-source-maps', program, ...args], {
    env: { ...process.env, ...env, STOP_WITH_STDIN: '1' },
    stdio: ['pipe', 'ignore', 'inherit'],
  });
}

function end(child: ChildProcess | undefined): Promise<void> {
  if (child === undefined || child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
  const ended = new Promise<void>((resolve) => void child.once('exit', () => resolve()));
  child.kill('SIGTERM');
  return ended;
}
