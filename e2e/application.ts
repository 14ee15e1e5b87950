import { spawn, type ChildProcess } from 'node:child_process';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');

/** `npm start`, as a person types it, with what it says and how it ended. */
export interface Application {
  readonly process: ChildProcess;
  readonly said: () => string;
  readonly ended: Promise<number | null>;
}

export function startApplication(args: readonly string[]): Application {
  // two at once would want the same port for their instruments
  const alone = args.includes('--instruments') ? [] : ['--no-instruments'];
  const child = spawn(process.execPath, ['scripts/start.mjs', '--backups', 'none', ...alone, ...args], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let output = '';
  child.stdout.on('data', (chunk: Buffer) => (output += chunk.toString()));
  child.stderr.on('data', (chunk: Buffer) => (output += chunk.toString()));
  return { process: child, said: () => output, ended: new Promise((resolve) => child.once('exit', (code) => resolve(code))) };
}

/** Waits until it has printed its URL. */
export async function untilReady(application: Application): Promise<void> {
  const deadline = Date.now() + 120_000;
  while (!application.said().includes('Hygromet is ready')) {
    if (application.process.exitCode !== null || Date.now() > deadline)
      throw new Error(`the application did not start:\n${application.said()}`);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}

/** Ctrl-C. */
export async function stopApplication(application: Application): Promise<void> {
  application.process.kill('SIGINT');
  await application.ended;
}
