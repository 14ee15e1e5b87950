// @ts-check
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { after, before, test } from 'node:test';
import { isLasting } from './cluster-port.mjs';
import { prepareCluster, urlOf } from './cluster.mjs';
import { readJson } from './data-folder.mjs';
import { asOwner } from './databases.mjs';
import { startCluster, stateOf, stopCluster } from './postgres.mjs';
import { roles } from './roles.mjs';
import { ensurePostgres } from './system-packages.mjs';

/** @type {string} */
let folder;
/** @type {string} */
let binaries;
/** @type {{ cluster: string, settingsFile: string }} */
let data;
before(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'hygromet-cluster-'));
  chmodSync(folder, 0o755);
  binaries = await ensurePostgres();
  data = { cluster: path.join(folder, 'postgres'), settingsFile: path.join(folder, 'postgres.json') };
});
after(() => rmSync(folder, { recursive: true, force: true }));

const own = () =>
  execFileSync('ps', ['-eo', 'args='], { encoding: 'utf8' })
    .split('\n')
    .filter((line) => line.includes(folder));

test('a cluster keeps its port; where another program has taken it, it moves, and its settings say where to', async () => {
  const settings = await prepareCluster(binaries, data, { safe: false });
  assert.ok(isLasting(settings.port));
  assert.equal((await prepareCluster(binaries, data)).port, settings.port);
  const other = createServer();
  await new Promise((resolve) => other.listen(settings.port, '127.0.0.1', () => resolve(undefined)));
  const cluster = await startCluster(binaries, settings, data.settingsFile, { safe: false });
  try {
    assert.notEqual(cluster.settings.port, settings.port);
    assert.ok(isLasting(cluster.settings.port));
    assert.equal(/** @type {any} */ (readJson(data.settingsFile)).port, cluster.settings.port);
    assert.equal(await stateOf(cluster), 'ready');
    for (const role of roles) assert.ok(own().every((line) => !line.includes(settings.passwords[role])));
    const rows = await asOwner(
      cluster.settings,
      'postgres',
      'select current_user as name, rolsuper from pg_roles where rolname = current_user',
    );
    assert.deepEqual(rows, [{ name: 'hygromet_owner', rolsuper: false }]);
  } finally {
    await stopCluster(cluster);
    await new Promise((resolve) => other.close(() => resolve(undefined)));
  }
  assert.deepEqual(own(), []);
});

test('settings of an earlier version, with one role on a passing port, get three roles and a lasting port', async () => {
  const { cluster, port } = JSON.parse(readFileSync(data.settingsFile, 'utf8'));
  writeFileSync(data.settingsFile, JSON.stringify({ port: 41_234, password: 'old', cluster }));
  const settings = await prepareCluster(binaries, data);
  assert.ok(isLasting(settings.port) && settings.port !== 41_234 && port !== 41_234);
  assert.deepEqual(Object.keys(settings.passwords).sort(), [...roles].sort());
  assert.match(urlOf(settings, 'reader'), /^postgresql:\/\/hygromet_reader:/);
});
