// @ts-check
import assert from 'node:assert/strict';
import test from 'node:test';
import { fileGroups } from './file-groups.mjs';

/** @param {number} bytes @param {string[]} [needs] @param {string[]} [later] */
const file = (bytes, needs = [], later = []) => ({ bytes, needs, later });

/** @param {string[][]} groups @param {string} name */
const together = (groups, name) => [...(groups.find((group) => group.includes(name)) ?? [])].sort();

test('what the same pages load becomes one file', () => {
  const files = new Map([
    ['main', file(500, [], ['a', 'b'])],
    ['a', file(9000, ['s', 't'])],
    ['b', file(9000, ['s', 't'])],
    ['s', file(300)],
    ['t', file(300)],
  ]);
  assert.deepEqual(together(fileGroups(files, 'main'), 's'), ['s', 't']);
});

test('a page does not load what is large for the sake of another', () => {
  const files = new Map([
    ['main', file(500, [], ['a', 'b'])],
    ['a', file(9000, ['s'])],
    ['b', file(9000, ['s', 'large'])],
    ['s', file(300)],
    ['large', file(80_000)],
  ]);
  const groups = fileGroups(files, 'main');
  assert.deepEqual(
    together(groups, 'large').filter((name) => name === 'a' || name === 's'),
    [],
  );
  assert.ok(!together(groups, 'a').includes('b'));
});

test('what a small file needs counts with it', () => {
  const files = new Map([
    ['main', file(500, [], ['a', 'b'])],
    ['a', file(9000, ['s'])],
    ['b', file(9000, ['s', 'door'])],
    ['s', file(300)],
    ['door', file(100, ['large'])],
    ['large', file(80_000)],
  ]);
  assert.ok(!together(fileGroups(files, 'main'), 's').includes('door'));
});

test('a large file of the start runs on its own', () => {
  const files = new Map([
    ['main', file(500, ['frame', 'x', 'y'])],
    ['frame', file(80_000)],
    ['x', file(400, ['frame'])],
    ['y', file(400, ['frame'])],
  ]);
  const groups = fileGroups(files, 'main');
  assert.deepEqual(together(groups, 'frame'), ['frame']);
  assert.deepEqual(together(groups, 'x'), ['x', 'y']);
});

test('a file that is asked for and is not there is told', () => {
  assert.throws(() => fileGroups(new Map([['main', file(1, ['gone'])]]), 'main'), /gone is asked for/);
});

/** The same each time: what fails once can be looked at. @param {number} seed */
function randomly(seed) {
  let state = seed;
  return (/** @type {number} */ below) => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    return Math.floor((state / 2_147_483_648) * below);
  };
}

test('of any application: every file is in one group, and no two groups need each other', () => {
  for (let seed = 1; seed <= 60; seed++) {
    const random = randomly(seed);
    const names = Array.from({ length: 5 + random(25) }, (_, index) => `f${index}`);
    // a file needs only later ones: the bundler makes no circles
    const files = new Map(
      names.map((name, index) => [
        name,
        file(
          50 + random(20_000),
          names.slice(index + 1).filter(() => random(5) === 0),
          index === 0 ? names.slice(1).filter(() => random(3) === 0) : [],
        ),
      ]),
    );
    const groups = fileGroups(files, 'f0');
    const members = groups.flat();
    assert.equal(new Set(members).size, members.length, `seed ${seed}`);
    const groupOf = new Map(groups.flatMap((group, index) => group.map((name) => [name, index])));
    const needs = groups.map(
      (group, index) =>
        new Set(
          group
            .flatMap((name) => files.get(name)?.needs ?? [])
            .flatMap((name) => groupOf.get(name) ?? [])
            .filter((other) => other !== index),
        ),
    );
    const ended = new Set();
    const visit = (/** @type {number} */ index, /** @type {number[]} */ way) => {
      assert.ok(!way.includes(index), `seed ${seed}: a circle`);
      if (ended.has(index)) return;
      needs[index]?.forEach((next) => visit(next, [...way, index]));
      ended.add(index);
    };
    groups.forEach((_, index) => visit(index, []));
  }
});
