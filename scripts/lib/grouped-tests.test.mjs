// @ts-check
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { groupedTests, groupSource } from './grouped-tests.mjs';

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
  const source = groupSource(['./a.test.js', './b.test.js']);
  assert.match(source, /describe\("\.\/a\.test\.js".*localStorage\.clear.*require\("\.\/a\.test\.js"\).*describe\("\.\/b\.test\.js"/s);
});
