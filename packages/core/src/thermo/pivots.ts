import { systemsBySize } from './linear-solve';
import type { Phase } from './phase';

/*
 * The pivots of √(ρ_i ρ_j) ∂ln f_i/∂ρ_j are 1 and more in an ideal mixture and come to 0 on the spinodal, where a phase no longer withstands every
 * small change of its densities.
 */

const systems = systemsBySize();

/** √(ρ_i ρ_j) ∂ln f_i/∂ρ_j, row by row, in a matrix that the next call uses again. */
export function scaledCurvature({ n, rho, dlnfdrho }: Phase): Float64Array {
  const a = systems(n).matrix;
  for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) a[i * n + j] = dlnfdrho[i * n + j]! * Math.sqrt(rho[i]! * rho[j]!);
  return a;
}

/** Elimination with complete pivoting by the largest diagonal; `a` is used up. */
export function smallestPivot(a: Float64Array, n: number): number {
  let smallest = Number.POSITIVE_INFINITY;
  let open = 2 ** n - 1; // a bit for each row that is left
  while (open > 0) {
    const pivot = largestDiagonal(a, n, open);
    const value = a[pivot * n + pivot]!;
    smallest = Math.min(smallest, value);
    open -= 2 ** pivot;
    for (let i = 0; i < n; i++) {
      if ((open >> i) % 2 === 0) continue;
      const factor = a[i * n + pivot]! / value;
      for (let j = 0; j < n; j++) if ((open >> j) % 2 === 1) a[i * n + j]! -= factor * a[pivot * n + j]!;
    }
  }
  return smallest;
}

function largestDiagonal(a: Float64Array, n: number, open: number): number {
  let most = -1;
  for (let i = 0; i < n; i++) if ((open >> i) % 2 === 1 && (most < 0 || a[i * n + i]! > a[most * n + most]!)) most = i;
  return most;
}
