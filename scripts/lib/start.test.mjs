// @ts-check
import assert from 'node:assert/strict';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { after, before, describe, test } from 'node:test';
import { openDataFolder, readJson, writeJson } from './data-folder.mjs';
import { holderOf, isOurs, startOf, takeLock } from './lock.mjs';
import { at } from './paths.mjs';
import { freePort, isFree } from './ports.mjs';
import { run } from './run.mjs';
import { Stop } from './say.mjs';
import { startOptions } from './start-options.mjs';

/** @type {string} */
let folder;
before(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'hygromet-scripts-'));
});
after(() => rmSync(folder, { recursive: true, force: true }));

describe('what is typed after npm start --', () => {
  test('nothing means the usual port and the data of this folder', () => {
    assert.deepEqual(startOptions([]), {
      port: 4180,
      dataFolder: at('.data'),
      backups: at('.data/backups'),
      resetDemo: false,
      empty: false,
      instruments: 4181,
    });
  });

  test('backups elsewhere, or none', () => {
    assert.equal(startOptions(['--backups', '/mnt/other']).backups, '/mnt/other');
    assert.equal(startOptions(['--backups', 'none']).backups, undefined);
  });

  test('port, folder and a fresh demo', () => {
    assert.deepEqual(startOptions(['--port', '4290', '--data', '/tmp/elsewhere', '--reset-demo']), {
      port: 4290,
      dataFolder: '/tmp/elsewhere',
      backups: '/tmp/elsewhere/backups',
      resetDemo: true,
      empty: false,
      instruments: 4291,
    });
  });

  test('a firm of its own, in a folder of its own', () => {
    const { empty, resetDemo, dataFolder } = startOptions(['--empty', '--data', '/tmp/firm']);
    assert.deepEqual({ empty, resetDemo, dataFolder }, { empty: true, resetDemo: false, dataFolder: '/tmp/firm' });
  });

  test('instruments on another port, or none', () => {
    assert.equal(startOptions(['--instruments', '4999']).instruments, 4999);
    assert.equal(startOptions(['--no-instruments']).instruments, undefined);
    assert.throws(() => startOptions(['--instruments', 'none']), /no port/);
  });

  for (const wrong of ['0', '65536', '41.5', 'eighty', '-3'])
    test(`"${wrong}" is no port, and the sentence says which are`, () => {
      assert.throws(
        () => startOptions([`--port=${wrong}`]),
        (/** @type {Error} */ error) => error instanceof Stop && /from 1 to 65535/.test(error.message),
      );
    });

  test('a word that is not known is answered with those that are', () => {
    assert.throws(() => startOptions(['--ports', '1']), /--reset-demo/);
    assert.throws(() => startOptions(['--help']), /serve on another port/);
  });
});

describe('the folder of the data', () => {
  test('is made, and keeps its files inside', () => {
    const own = path.join(folder, 'new', 'data');
    const data = openDataFolder(own);
    assert.equal(data.folder, own);
    assert.ok(data.lockFile.startsWith(own));
    assert.ok(data.settingsFile.startsWith(own));
  });

  test('what was written is read back; a file that a power cut ended is none', () => {
    const file = path.join(folder, 'settings.json');
    writeJson(file, { port: 5, password: 'x' });
    assert.deepEqual(readJson(file), { port: 5, password: 'x' });
    writeFileSync(file, '{"port": 5, "pass');
    assert.equal(readJson(file), undefined);
    assert.equal(readJson(path.join(folder, 'never')), undefined);
  });

  test('a file with a password is its owner’s alone', async () => {
    const file = path.join(folder, 'secret.json');
    writeJson(file, { password: 'x' });
    const { output } = await run('stat', ['-c', '%a', file]);
    assert.equal(output.trim(), '600');
  });
});

describe('the lock', () => {
  test('is taken, kept while it runs, and given back', () => {
    const file = path.join(folder, 'running.json');
    const release = takeLock(file, 4180);
    assert.deepEqual(readJson(file), { pid: process.pid, port: 4180, since: startOf(process.pid) });
    release();
    assert.equal(readJson(file), undefined);
  });

  test('of a run that was killed is taken over without a word', () => {
    const file = path.join(folder, 'stale.json');
    writeJson(file, { pid: 2 ** 22 + 5, port: 4180 });
    takeLock(file, 4181)();
  });

  test('names who holds it, by number and moment of start: a number that went to another Hygromet holds nothing', () => {
    const file = path.join(folder, 'held.json');
    const parent = process.ppid;
    writeJson(file, { pid: parent, port: 4180, since: startOf(parent) });
    assert.equal(holderOf(file)?.port, 4180);
    assert.throws(() => takeLock(file, 4181), /runs already with these data: http:\/\/127\.0\.0\.1:4180/);
    writeJson(file, { pid: parent, port: 4180, since: '1' });
    assert.equal(holderOf(file), undefined);
  });

  test('of an earlier version, which knew no moment of start, is held by a process that is a start command', () => {
    const file = path.join(folder, 'earlier.json');
    writeJson(file, { pid: process.ppid, port: 4180 });
    assert.equal(holderOf(file), undefined); // the runner of the tests is none
  });

  test('of a process number that went to another program is no lock', () => {
    assert.equal(isOurs(process.pid, 'start.test.mjs'), true);
    assert.equal(isOurs(process.pid, 'something-else'), false);
    assert.equal(isOurs(2 ** 22 + 5, 'start.mjs'), false);
  });
});

describe('a port', () => {
  test('that somebody uses is not free, and one that nobody uses is', async () => {
    const port = await freePort();
    assert.equal(await isFree(port), true);
    const server = createServer();
    await new Promise((resolve) => server.listen(port, '127.0.0.1', () => resolve(undefined)));
    assert.equal(await isFree(port), false);
    await new Promise((resolve) => server.close(() => resolve(undefined)));
  });
});

describe('a command', () => {
  test('answers with its end and everything it printed', async () => {
    const { code, output } = await run('sh', ['-c', 'echo one; echo two >&2; exit 3']);
    assert.equal(code, 3);
    assert.match(output, /one/);
    assert.match(output, /two/);
  });

  test('that is not there is an error', async () => {
    await assert.rejects(run('no-such-command-anywhere', []), /ENOENT/);
  });
});

test('the manifests that decide over an installation are there', () => {
  for (const name of ['package.json', 'package-lock.json']) assert.ok(readFileSync(at(name), 'utf8').length > 100);
});
