import { findRoot } from './find-root';

/** How often the function is asked: each answer may be a solve. */
function counted(f: (x: number) => number, low: number, high: number, tolerance: number) {
  let calls = 0;
  const root = findRoot((x) => (calls++, f(x)), low, high, tolerance);
  return { root, calls };
}

test('a steep end does not draw the root to itself: the bracket proves it', () => {
  // at the right end a million million times as large as at the left
  const { root } = counted((x) => Math.exp(3 * x) - Math.exp(3 * -3.44), -5, 5, 1e-10);
  expect(root).toBeCloseTo(-3.44, 8);
});

test('a straight line takes a handful of questions, an exponential not many more', () => {
  expect(counted((x) => 3 * x - 1, -10, 10, 1e-9).calls).toBeLessThan(8);
  expect(counted((x) => Math.exp(x) - 2, -2, 3, 1e-9).calls).toBeLessThan(20);
});

test('a root at either end is that end', () => {
  expect(counted((x) => x, 0, 4, 1e-9).root).toBeCloseTo(0, 8);
  expect(counted((x) => x - 4, 0, 4, 1e-9).root).toBeCloseTo(4, 8);
});

test('the answer is as exact as the function is, not only as the tolerance asks', () => {
  const { root } = counted((x) => Math.log(x) - 1, 1, 5, 1e-4);
  expect(root).toBeCloseTo(Math.E, 6);
});

test('falling functions are as good as rising ones', () => {
  for (const sign of [1, -1]) expect(counted((x) => sign * (x ** 3 - 8), 0, 5, 1e-9).root).toBeCloseTo(2, 8);
});
