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

const scratches = new Map<number, Float64Array>();

/** A matrix to work in: a decomposition is over before the next begins. */
function scratch(n: number): Float64Array {
  const known = scratches.get(n) ?? new Float64Array(n * n);
  scratches.set(n, known);
  return known;
}

/** Whether the symmetric matrix (n × n, row by row) has a Cholesky factor. It is not changed. */
export function isPositiveDefinite(matrix: Float64Array, n: number): boolean {
  if (n === 1) return matrix[0]! > 0;
  const factor = scratch(n);
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
