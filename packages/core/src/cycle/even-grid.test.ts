import fc from 'fast-check';
import { placeOn, valueAt, type EvenGrid } from './even-grid';
import { softMax, softMost, softPlus } from './smooth';
import { solveThree, type Three } from './solve-three';
import { meanDensity } from './two-phase';

const grid: EvenGrid = { least: -2, step: 0.5, count: 12 };
const column = (of: (x: number) => number) => Float64Array.from({ length: grid.count }, (_, k) => of(grid.least + k * grid.step));
const end = grid.least + (grid.count - 1) * grid.step;

describe('a column on an even grid', () => {
  test('any cubic is read exactly between its ends', () => {
    const coefficient = fc.double({ min: -3, max: 3, noNaN: true });
    fc.assert(
      fc.property(fc.tuple(coefficient, coefficient, coefficient, coefficient), fc.double({ min: 0, max: 1, noNaN: true }), (c, share) => {
        const cubic = (x: number) => c[0] + c[1] * x + c[2] * x ** 2 + c[3] * x ** 3;
        const x = grid.least + share * (end - grid.least);
        expect(valueAt(column(cubic), placeOn(grid, x))).toBeCloseTo(cubic(x), 8);
      }),
    );
  });

  test.each([
    ['before its first node', -3, -1],
    ['behind its last', end + 1, 1],
  ])('%s it goes on straight, from the last two nodes', (_, x, towards) => {
    const square = column((value) => value ** 2);
    const [edge, inner] = towards < 0 ? [grid.least, grid.least + grid.step] : [end, end - grid.step];
    const slope = (edge ** 2 - inner ** 2) / (edge - inner);
    expect(valueAt(square, placeOn(grid, x))).toBeCloseTo(edge ** 2 + slope * (x - edge), 9);
  });

  test('weights always come to one, wherever it is read', () => {
    fc.assert(
      fc.property(fc.double({ min: -20, max: 20, noNaN: true }), (x) => {
        const { first, w0, w1, w2, w3 } = placeOn(grid, x);
        expect(w0 + w1 + w2 + w3).toBeCloseTo(1, 9);
        expect(first).toBeGreaterThanOrEqual(0);
        expect(first + 3).toBeLessThan(grid.count);
      }),
    );
  });
});

describe('corners that are rounded', () => {
  test('far from the corner they are the straight lines themselves', () => {
    expect([softPlus(5, 0.1), softPlus(-5, 0.1)]).toEqual([5, 0]);
    expect([softMost(1, 3, 0.03), softMost(9, 3, 0.03)]).toEqual([1, 3]);
    expect([softMax(7, 2, 0.1), softMax(2, 7, 0.1)]).toEqual([7, 7]);
  });

  test('at the corner they lie above it, by ln 2 of the width, and rise everywhere', () => {
    expect(softPlus(0, 0.1)).toBeCloseTo(0.1 * Math.LN2, 12);
    fc.assert(
      fc.property(fc.double({ min: -2, max: 2, noNaN: true }), (x) => {
        expect(softPlus(x, 0.1)).toBeGreaterThanOrEqual(Math.max(0, x));
        expect(softPlus(x + 0.01, 0.1)).toBeGreaterThan(softPlus(x, 0.1));
      }),
    );
  });
});

describe('three columns and their sum', () => {
  const entry = fc.integer({ min: -9, max: 9 });
  const three = fc.tuple(entry, entry, entry);

  test('the shares that made a sum are found again', () => {
    fc.assert(
      fc.property(three, three, three, three, (a, b, c, shares) => {
        const sum = [0, 1, 2].map((k) => shares[0] * a[k]! + shares[1] * b[k]! + shares[2] * c[k]!) as unknown as Three;
        const found = solveThree([a, b, c], sum);
        fc.pre(found !== undefined);
        for (const k of [0, 1, 2] as const) expect(found[k]).toBeCloseTo(shares[k], 8);
      }),
    );
  });

  test('columns in one plane, or with a hole in them, are no three directions', () => {
    expect(
      solveThree(
        [
          [1, 2, 3],
          [2, 4, 6],
          [0, 0, 1],
        ],
        [1, 1, 1],
      ),
    ).toBeUndefined();
    expect(
      solveThree(
        [
          [NaN, 2, 3],
          [2, 1, 6],
          [0, 0, 1],
        ],
        [1, 1, 1],
      ),
    ).toBeUndefined();
  });
});

describe('density where it boils', () => {
  const [rl, rv] = [1100, 35];

  test('lies between liquid and vapour, and falls as more of it is vapour', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.9, noNaN: true }), fc.double({ min: 0.01, max: 0.1, noNaN: true }), (low, more) => {
        const here = meanDensity(low, low + more, rl, rv, 1 / 3);
        expect(here).toBeLessThanOrEqual(rl);
        expect(here).toBeGreaterThanOrEqual(rv);
        expect(meanDensity(low + 0.05, Math.min(1, low + more + 0.05), rl, rv, 1 / 3)).toBeLessThan(here);
      }),
    );
  });

  // a homogeneous mixture: its specific volume is linear in the quality
  test('without slip it is the homogeneous one, and slip leaves more liquid in the coil', () => {
    const x = 0.3;
    const homogeneous = 1 / (x / rv + (1 - x) / rl);
    expect(meanDensity(x, x + 1e-3, rl, rv, 0)).toBeCloseTo(homogeneous, 0);
    expect(meanDensity(x, x + 1e-3, rl, rv, 1 / 3)).toBeGreaterThan(homogeneous);
  });
});
