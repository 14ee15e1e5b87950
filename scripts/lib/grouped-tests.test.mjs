// @ts-check
import assert from 'node:assert/strict';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { test } from 'node:test';
import { groupedTests, groupSource, writeGroups } from './grouped-tests.mjs';

const plain = (/** @type {string} */ file) => ({ file, source: `test('${file}', () => expect(1).toBe(1));` });

test('every file is in exactly one group, and no group has more than allowed', () => {
  for (let count = 0; count < 30; count++) {
    const files = Array.from({ length: count }, (_, k) => plain(`f${k}`));
    const groups = groupedTests(files, 7);
    assert.deepEqual(
      groups.flat(),
      files.map(({ file }) => file),
    );
    assert.ok(groups.every(({ length }) => length > 0 && length <= 7));
  }
});

test('a file with modules of its own, or a clock of its own, runs alone; its neighbors stay together', () => {
  const mocks = { file: 'mocks', source: "jest.mock('./stream', () => ({}));" };
  const clock = { file: 'clock', source: 'beforeEach(() => jest.useFakeTimers());' };
  assert.deepEqual(groupedTests([plain('a'), mocks, plain('b'), clock, plain('c')], 12), [['a', 'b', 'c'], ['mocks'], ['clock']]);
});

test('a group names each file, and what one leaves in the browser is gone for the next', () => {
  const source = groupSource(['./a.test.js', './b.test.js'], 'localStorage.clear();');
  assert.match(source, /describe\("\.\/a\.test\.js".*localStorage\.clear.*require\("\.\/a\.test\.js"\).*describe\("\.\/b\.test\.js"/s);
});

test('all files below a folder are written as groups that find them, and nothing of an earlier run stays', () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'groups-'));
  const [from, to] = [path.join(folder, 'src'), path.join(folder, 'dist/groups')];
  mkdirSync(path.join(from, 'deep'), { recursive: true });
  mkdirSync(to, { recursive: true });
  writeFileSync(path.join(to, 'group-9.test.ts'), 'of an earlier run');
  mkdirSync(path.join(from, 'node_modules'));
  for (const file of ['a.test.ts', 'deep/b.test.ts', 'deep/c.test.ts', 'deep/no-test.ts', 'node_modules/d.test.ts'])
    writeFileSync(path.join(from, file), '');
  writeGroups(from, to, { ending: '.test.ts', most: 2, cleared: '' });
  const written = readdirSync(to).sort();
  const required = written.flatMap((file) =>
    [...readFileSync(path.join(to, file), 'utf8').matchAll(/require\("(.*?)"\)/g)].map(([, of]) => of),
  );
  rmSync(folder, { recursive: true });
  assert.deepEqual(written, ['group-1.test.ts', 'group-2.test.ts']);
  assert.deepEqual(required, ['../../src/a.test.ts', '../../src/deep/b.test.ts', '../../src/deep/c.test.ts']);
});
