/**
 * Solves A x = b in place by elimination with partial pivoting: `b` becomes x, `a` (row by row) is used up.
 * Returns false where the matrix is singular.
 */
export function solveInPlace(a: Float64Array, b: Float64Array): boolean {
  const n = b.length;
  for (let column = 0; column < n; column++) {
    const pivot = pivotRow(a, column, n);
    const size = Math.abs(a[pivot * n + column]!);
    if (!(size > 0 && Number.isFinite(size))) return false;
    if (pivot !== column) swapRows(a, b, pivot, column, n);
    eliminateBelow(a, b, column, n);
  }
  for (let row = n - 1; row >= 0; row--) {
    let sum = b[row]!;
    for (let k = row + 1; k < n; k++) sum -= a[row * n + k]! * b[k]!;
    b[row] = sum / a[row * n + row]!;
  }
  return true;
}

function pivotRow(a: Float64Array, column: number, n: number): number {
  let best = column;
  for (let row = column + 1; row < n; row++) if (Math.abs(a[row * n + column]!) > Math.abs(a[best * n + column]!)) best = row;
  return best;
}

function swapRows(a: Float64Array, b: Float64Array, one: number, other: number, n: number): void {
  for (let k = 0; k < n; k++) [a[one * n + k], a[other * n + k]] = [a[other * n + k]!, a[one * n + k]!];
  [b[one], b[other]] = [b[other]!, b[one]!];
}

function eliminateBelow(a: Float64Array, b: Float64Array, column: number, n: number): void {
  for (let row = column + 1; row < n; row++) {
    const factor = a[row * n + column]! / a[column * n + column]!;
    if (factor === 0) continue;
    for (let k = column; k < n; k++) a[row * n + k]! -= factor * a[column * n + k]!;
    b[row]! -= factor * b[column]!;
  }
}

/** A matrix (row by row) and a right side to work in. */
export interface System {
  readonly matrix: Float64Array;
  readonly right: Float64Array;
}

/**
 * Systems to work in by their size, made once: making them anew takes as long as a step. Each kind of solve has its own, for one may begin
 * before another is over.
 */
export function systemsBySize(): (n: number) => System {
  const made: System[] = [];
  return (n) => (made[n] ??= { matrix: new Float64Array(n * n), right: new Float64Array(n) });
}

const factors = systemsBySize();

/** Whether the symmetric matrix (n × n, row by row) has a Cholesky factor. It is not changed. */
export function isPositiveDefinite(matrix: Float64Array, n: number): boolean {
  if (n === 1) return matrix[0]! > 0;
  const factor = factors(n).matrix;
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let rest = matrix[i * n + j]!;
      for (let k = 0; k < j; k++) rest -= factor[i * n + k]! * factor[j * n + k]!;
      if (i > j) factor[i * n + j] = rest / factor[j * n + j]!;
      else if (rest > 0) factor[i * n + i] = Math.sqrt(rest);
      else return false;
    }
  return true;
}
