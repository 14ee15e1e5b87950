import { expect, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { appendFileSync, chmodSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { randomUUID } from 'node:crypto';
import { startApplication, stopApplication, untilReady, type Application } from './application';

const PORT = 4392;
const BUSY_PORT = 4391;
const URL_ = `http://127.0.0.1:${PORT}`;
let folder: string;

test.beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'hygromet-start-'));
  chmodSync(folder, 0o755);
});
test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

const start = (...more: string[]): Application => startApplication(['--port', String(PORT), '--data', folder, ...more]);

interface Thing {
  readonly id: string;
  readonly name: string;
  readonly tareKg: number;
  readonly contentKg: number;
}
const read = async (what: string): Promise<Thing[]> => (await (await fetch(`${URL_}/api/${what}`)).json()) as Thing[];

/** Books 100 g into C-07; answers its content after it, once the server has acknowledged. */
async function book(): Promise<number> {
  const cylinder = (await read('cylinders')).find(({ name }) => name === 'C-07')!;
  const source = (await read('accounts')).find(({ name }) => name === 'Planetarium, rooftop unit')!;
  const before = cylinder.tareKg + cylinder.contentKg;
  const body = {
    key: randomUUID(),
    from: source.id,
    cylinder: cylinder.id,
    grossBeforeKg: before,
    grossAfterKg: before + 0.1,
    happenedAt: new Date().toISOString(),
    recordedBy: 'Jory Quill',
  };
  const answer = await fetch(`${URL_}/api/transfers`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  expect(answer.status).toBe(201);
  return cylinder.contentKg + 0.1;
}

const content = async () => (await read('cylinders')).find(({ name }) => name === 'C-07')!.contentKg;

/** Processes whose command line names this test's folder or port. */
function pidsOf(mark: string): number[] {
  const all = execFileSync('ps', ['-eo', 'pid=,args='], { encoding: 'utf8' }).split('\n');
  return all.filter((line) => line.includes(mark) && !line.includes(' ps ')).map((line) => Number(line.trim().split(' ')[0]));
}

const serverPid = () =>
  pidsOf('dist/server/main.mjs serve').find((pid) => readFileSync(`/proc/${pid}/environ`, 'utf8').includes(`PORT=${PORT}`))!;
const postmasterPid = () => Number(readFileSync(path.join(folder, 'postgres/postmaster.pid'), 'utf8').split('\n')[0]);

async function untilAnswering(): Promise<void> {
  await expect(async () => expect((await fetch(`${URL_}/api/cylinders`)).status).toBe(200)).toPass({ timeout: 30_000 });
}

test('killing the server or PostgreSQL with -9 loses no acknowledged booking; a second start keeps all data; Ctrl-C leaves nothing', async () => {
  test.setTimeout(180_000);
  const first = start();
  await untilReady(first);
  expect(first.said()).toContain('loaded the demo data');

  let booked = await book();
  process.kill(serverPid(), 'SIGKILL');
  await untilAnswering();
  expect(await content()).toBeCloseTo(booked, 8);

  booked = await book();
  const killed = postmasterPid();
  process.kill(killed, 'SIGKILL');
  // what it had started answers for a moment longer: only with the new one is the service back
  await expect(() => expect(postmasterPid()).not.toBe(killed)).toPass({ timeout: 30_000 });
  await untilAnswering();
  expect(await content()).toBeCloseTo(booked, 8);
  expect(first.said()).toContain('PostgreSQL stopped unexpectedly');

  const url = execFileSync(process.execPath, ['scripts/database-url.mjs', '--data', folder], {
    cwd: path.resolve(import.meta.dirname, '..'),
    encoding: 'utf8',
  });
  expect(url).toMatch(/^postgresql:\/\/hygromet_reader:.+@127\.0\.0\.1:\d+\/hygromet\n$/);

  booked = await book();
  first.process.kill('SIGKILL'); // the whole start script, with no time to tidy
  await first.ended;
  await expect(() => expect(serverPid()).toBeUndefined()).toPass();
  // PostgreSQL notices as well: nothing is left behind
  await expect(() => expect(pidsOf(folder)).toEqual([])).toPass({ timeout: 30_000 });

  const second = start();
  await untilReady(second);
  expect(second.said()).not.toContain('loaded the demo data');
  expect(await content()).toBeCloseTo(booked, 8);
  await stopApplication(second);
  expect(pidsOf(folder)).toEqual([]);
});

test('a backup is taken while it runs, restored in another folder and proved; one that was cut is refused', async () => {
  test.setTimeout(180_000);
  const application = start();
  await untilReady(application);
  const booked = await book();
  const npm = (script: string, ...args: string[]) =>
    execFileSync(process.execPath, [`scripts/${script}.mjs`, ...args], { cwd: path.resolve(import.meta.dirname, '..'), encoding: 'utf8' });
  const backups = path.join(folder, 'copies');
  const seal = /Seal: (\S+)/.exec(npm('backup', backups, '--data', folder))?.[1] ?? '';
  expect(seal).toMatch(/^\d+:[0-9a-f]{64}$/);
  await stopApplication(application);

  const other = path.join(folder, 'elsewhere');
  const file = path.join(backups, readdirSync(backups).find((name) => name.endsWith('.dump')) ?? '');
  expect(npm('restore', file, '--data', other)).toContain('restored and proved');
  expect(npm('verify', '--data', other, '--seal', seal)).toContain('The ledger is proved');
  appendFileSync(file, 'x');
  expect(() => npm('restore', file, '--data', other)).toThrow(/cut short or changed/);

  const restored = startApplication(['--port', String(PORT), '--data', other]);
  await untilReady(restored);
  expect(await content()).toBeCloseTo(booked, 8);
  await stopApplication(restored);
});

test.describe('with its service worker', () => {
  test.use({ serviceWorkers: 'allow' });

  test('a reload while nothing runs shows a page of this house, which comes back by itself', async ({ page }) => {
    test.setTimeout(180_000);
    const first = start();
    await untilReady(first);
    await page.goto(`${URL_}/cylinders`);
    await expect(page.getByText('C-07').first()).toBeVisible();
    await expect(() => page.evaluate(async () => (await navigator.serviceWorker.ready).active?.state).then((state) => expect(state).toBe('activated'))).toPass(); // prettier-ignore
    await stopApplication(first);
    await page.reload();
    await expect(page.getByText('Hygromet is not running')).toBeVisible();
    const second = start();
    await untilReady(second);
    await expect(page.getByText('C-07').first()).toBeVisible();
    await stopApplication(second);
  });
});

test('a busy port, a second run on the same data and a wrong option end in a sentence that says what to do', async () => {
  const other = createServer().listen(BUSY_PORT, '127.0.0.1');
  const busy = startApplication(['--port', String(BUSY_PORT), '--data', folder]);
  expect(await busy.ended).toBe(1);
  expect(busy.said()).toContain(`npm start -- --port ${BUSY_PORT + 1}`);
  other.close();

  const wrong = startApplication(['--port', 'eleven']);
  expect(await wrong.ended).toBe(1);
  expect(wrong.said()).toContain('is no port');
});

test('--reset-demo throws everything away and loads the demo again', async () => {
  test.setTimeout(120_000);
  const application = start('--reset-demo');
  await untilReady(application);
  expect(application.said()).toContain('loaded the demo data');
  const again = start();
  expect(await again.ended).toBe(1);
  expect(again.said()).toContain('runs already with these data');
  await stopApplication(application);
});
