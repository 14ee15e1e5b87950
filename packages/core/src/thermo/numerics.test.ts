import fc from 'fast-check';
import { allSubstances } from '../fluids/substance';
import { findRoot } from './find-root';
import { isPositiveDefinite, solveInPlace } from './linear-solve';
import { compileMixture } from './mixture-model';
import { emptyForm, evaluateForm } from './reducing';

const entry = fc.double({ min: -5, max: 5, noNaN: true });
const square = fc.integer({ min: 1, max: 7 }).chain((n) =>
  fc.record({
    n: fc.constant(n),
    a: fc.array(entry, { minLength: n * n, maxLength: n * n }),
    x: fc.array(entry, { minLength: n, maxLength: n }),
  }),
);

/** A x, row by row. */
const times = (a: readonly number[], x: readonly number[]) =>
  x.map((_, i) => x.reduce((sum, value, j) => sum + a[i * x.length + j]! * value, 0));

describe('a linear system', () => {
  test('is solved to the last digits, whatever the order of its rows', () => {
    fc.assert(
      fc.property(square, ({ n, a, x }) => {
        // a heavy diagonal keeps it far from singular; swapped rows need the pivoting
        const heavy = a.map((value, k) => (k % (n + 1) === 0 ? value + 40 : value));
        const order = Array.from({ length: n }, (_, k) => (k + 1) % n);
        const swapped = order.flatMap((row) => heavy.slice(row * n, row * n + n));
        const b = Float64Array.from(times(swapped, x));
        expect(solveInPlace(Float64Array.from(swapped), b)).toBe(true);
        for (let k = 0; k < n; k++) expect(b[k]!).toBeCloseTo(x[k]!, 9);
      }),
      { numRuns: 200, seed: 20_261_126 },
    );
  });

  test('that is singular, or not finite, is said to be so', () => {
    expect(solveInPlace(Float64Array.of(1, 2, 2, 4), Float64Array.of(1, 2))).toBe(false);
    expect(solveInPlace(Float64Array.of(Number.NaN, 0, 0, 1), Float64Array.of(1, 1))).toBe(false);
    expect(solveInPlace(Float64Array.of(0), Float64Array.of(1))).toBe(false);
  });
});

describe('a symmetric matrix', () => {
  test('B Bᵀ + 1 is positive definite, and is not once a direction has turned', () => {
    fc.assert(
      fc.property(square, ({ n, a }) => {
        const product = Float64Array.from({ length: n * n }, (_, k) => {
          const [i, j] = [Math.floor(k / n), k % n];
          return Array.from({ length: n }, (__, m) => a[i * n + m]! * a[j * n + m]!).reduce((sum, value) => sum + value, i === j ? 1 : 0);
        });
        const kept = product.slice();
        expect(isPositiveDefinite(product, n)).toBe(true);
        expect(product).toEqual(kept);
        const last = n * n - 1;
        product[last] = -product[last]!;
        expect(isPositiveDefinite(product, n)).toBe(false);
      }),
      { numRuns: 100, seed: 20_261_126 },
    );
  });

  test('is judged by the whole of it, not by its diagonal', () => {
    expect(isPositiveDefinite(Float64Array.of(1, 2, 2, 1), 2)).toBe(false);
    expect(isPositiveDefinite(Float64Array.of(1, 0.5, 0.5, 1), 2)).toBe(true);
    expect(isPositiveDefinite(Float64Array.of(0), 1)).toBe(false);
  });
});

describe('a root', () => {
  test('of a rising function is found within its bracket, to the tolerance', () => {
    fc.assert(
      fc.property(fc.double({ min: -4, max: 4, noNaN: true }), fc.double({ min: 0.2, max: 3, noNaN: true }), (root, steep) => {
        const asked: number[] = [];
        const f = (x: number) => (asked.push(x), Math.exp(steep * x) - Math.exp(steep * root));
        expect(findRoot(f, -5, 5, 1e-10)).toBeCloseTo(root, 8);
        expect(asked.every((x) => x >= -5 && x <= 5)).toBe(true);
      }),
      { numRuns: 200, seed: 20_261_126 },
    );
  });

  test('of a function that hardly bends away from zero is found as well', () => {
    expect(findRoot((x) => (x - 1) ** 3, -2, 5, 1e-9)).toBeCloseTo(1, 2);
    expect(findRoot((x) => x - 2, 0, 2, 1e-12)).toBeCloseTo(2, 11);
  });
});

describe('the reducing function of a mixture', () => {
  const picked = fc.uniqueArray(fc.integer({ min: 0, max: allSubstances.length - 1 }), { minLength: 1, maxLength: 5 });
  const shares = fc.array(fc.double({ min: 0.05, max: 1, noNaN: true }), { minLength: 5, maxLength: 5 });
  const formAt = (model: ReturnType<typeof compileMixture>, rho: Float64Array) => {
    const form = emptyForm(rho.length);
    evaluateForm(form, rho, model.T, model.reducingPairs, 'cT', 'bT');
    return form;
  };

  test('is homogeneous of degree 2, with the derivatives that follow from it (Euler)', () => {
    fc.assert(
      fc.property(picked, shares, (ids, values) => {
        const model = compileMixture(ids.map((k) => allSubstances[k]!));
        const rho = Float64Array.from(ids.map((_, k) => values[k]!));
        const form = formAt(model, rho);
        const n = rho.length;
        expect(
          formAt(
            model,
            rho.map((value) => 3 * value),
          ).value / form.value,
        ).toBeCloseTo(9, 9);
        const once = rho.reduce((sum, value, k) => sum + value * form.first[k]!, 0);
        expect(once / (2 * form.value)).toBeCloseTo(1, 9);
        for (let k = 0; k < n; k++) {
          const twice = rho.reduce((sum, value, l) => sum + value * form.second[k * n + l]!, 0);
          expect(twice / form.first[k]!).toBeCloseTo(1, 9);
          for (let l = 0; l < n; l++) expect(form.second[k * n + l]).toBeCloseTo(form.second[l * n + k]!, 9);
        }
      }),
      { numRuns: 100, seed: 20_261_126 },
    );
  });

  test('of one substance is its own reducing temperature', () => {
    for (const substance of allSubstances) {
      const form = formAt(compileMixture([substance]), Float64Array.of(7));
      expect(form.value / 49).toBeCloseTo(substance.reducing.T, 9);
    }
  });
});
