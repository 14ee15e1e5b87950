// @ts-check
import assert from 'node:assert/strict';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { after, before, test } from 'node:test';
import { fingerprint, whenChanged } from './fingerprint.mjs';
import { at, root } from './paths.mjs';

/** Below the project: places are given from its root. @type {string} */
let folder;
before(() => {
  mkdirSync(at('dist'), { recursive: true });
  folder = path.relative(root, mkdtempSync(path.join(at('dist'), 'fingerprint-')));
});
after(() => rmSync(at(folder), { recursive: true, force: true }));

/** @param {string} name @param {string} content */
const write = (name, content) => writeFileSync(at(folder, name), content);

test('the same content has the same fingerprint, another has another', () => {
  write('a.ts', 'one');
  const first = fingerprint([folder]);
  assert.equal(fingerprint([folder]), first);
  write('a.ts', 'two');
  assert.notEqual(fingerprint([folder]), first);
});

test('a file that was only renamed counts as changed', () => {
  write('b.ts', 'same');
  const first = fingerprint([folder]);
  rmSync(at(folder, 'b.ts'));
  write('c.ts', 'same');
  assert.notEqual(fingerprint([folder]), first);
});

test('tests do not make the product change', () => {
  const first = fingerprint([folder]);
  write('a.test.ts', 'a test');
  assert.equal(fingerprint([folder]), first);
});

test('a place that is not there is nothing, and no error', () => {
  assert.equal(fingerprint([`${folder}/never`]), fingerprint([]));
});

test('work is done once, again after a change, and again when it had failed', async () => {
  const stamp = `${folder}/stamp`;
  let done = 0;
  const work = async () => void done++;
  assert.equal(await whenChanged(stamp, [`${folder}/a.ts`], work), true);
  assert.equal(await whenChanged(stamp, [`${folder}/a.ts`], work), false);
  assert.equal(done, 1);
  write('a.ts', 'three');
  await assert.rejects(
    whenChanged(stamp, [`${folder}/a.ts`], () => Promise.reject(new Error('disk'))),
    /disk/,
  );
  assert.equal(await whenChanged(stamp, [`${folder}/a.ts`], work), true);
  assert.equal(done, 2);
});

test('work is done again when what it made was damaged or taken away, though nothing it rests on has changed', async () => {
  const [stamp, made] = [`${folder}/made.stamp`, `${folder}/made.js`];
  let done = 0;
  const work = async () => void (done++, writeFileSync(at(made), 'whole'));
  const again = () => whenChanged(stamp, [`${folder}/a.ts`], work, [made]);
  assert.deepEqual([await again(), await again()], [true, false]);
  writeFileSync(at(made), 'wh');
  assert.equal(await again(), true);
  rmSync(at(made));
  assert.deepEqual([await again(), await again(), done], [true, false, 3]);
});
