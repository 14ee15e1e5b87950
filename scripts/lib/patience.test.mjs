// @ts-check
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { Patience } from './patience.mjs';

test('what has run for a while is started again at once', () => {
  const patience = new Patience();
  for (let n = 0; n < 200; n++) assert.equal(patience.next(4000), 100);
});

test('what ends at once waits longer each time, to a limit, and for ever: nobody has to come', () => {
  const patience = new Patience();
  const pauses = Array.from({ length: 9 }, () => patience.next(0));
  assert.deepEqual(pauses, [200, 400, 800, 1600, 3200, 5000, 5000, 5000, 5000]);
});

test('once it runs, the pauses are short again', () => {
  const patience = new Patience();
  for (let n = 0; n < 9; n++) patience.next(0);
  assert.equal(patience.next(3000), 100);
});
