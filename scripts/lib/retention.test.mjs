// @ts-check
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { isDue, madeAt, outlived } from './retention.mjs';

const nameOf = (/** @type {Date} */ date) => `hygromet-${date.toISOString().slice(0, 19).replaceAll(':', '')}Z.dump`;
const daysBack = (/** @type {number} */ days) => new Date(Date.UTC(2026, 10, 28, 3) - days * 86_400_000);

test('a name tells when a backup was made; another file is none', () => {
  assert.deepEqual(madeAt(nameOf(daysBack(0))), daysBack(0));
  for (const other of ['notes.txt', 'hygromet-2026-11-28T030000Z.dump.json', 'hygromet-now.dump']) assert.equal(madeAt(other), undefined);
});

test('after two years of daily backups 7 days, 4 weeks and 12 months stay, the newest of each', () => {
  const names = Array.from({ length: 730 }, (_, day) => nameOf(daysBack(day)));
  const gone = new Set(outlived([...names, 'notes.txt']));
  const kept = names.filter((name) => !gone.has(name));
  assert.ok(kept.length <= 23 && kept.length >= 20, String(kept.length));
  for (let day = 0; day < 7; day++) assert.ok(kept.includes(nameOf(daysBack(day))));
  assert.ok(kept.includes(nameOf(new Date(Date.UTC(2025, 11, 31, 3)))));
  assert.ok(!gone.has('notes.txt'));
});

test('many backups of one day are one', () => {
  const names = Array.from({ length: 30 }, (_, hour) => nameOf(new Date(Date.UTC(2026, 10, 28, 0, hour))));
  assert.deepEqual(outlived(names).length, 29);
});

test('it is due a day after the last one, and at once where there is none', () => {
  assert.equal(isDue([], daysBack(0)), true);
  assert.equal(isDue([nameOf(daysBack(1))], daysBack(0)), true);
  assert.equal(isDue([nameOf(daysBack(0.9))], daysBack(0)), false);
});
