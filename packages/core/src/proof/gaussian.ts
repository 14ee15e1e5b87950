/** Lower triangular L with A = L Lᵀ, row by row; `a` is used up. @throws where A is not positive definite */
export function cholesky(a: Float64Array, n: number): Float64Array {
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let sum = a[i * n + j]!;
      for (let k = 0; k < j; k++) sum -= a[i * n + k]! * a[j * n + k]!;
      if (i !== j) a[i * n + j] = sum / a[j * n + j]!;
      else if (sum > 0) a[i * n + i] = Math.sqrt(sum);
      else throw new Error('a covariance that is not positive definite');
    }
  return a;
}

/** x with L x = b, in place. */
export function solveLower(l: Float64Array, b: Float64Array): Float64Array {
  const n = b.length;
  for (let i = 0; i < n; i++) {
    let sum = b[i]!;
    for (let k = 0; k < i; k++) sum -= l[i * n + k]! * b[k]!;
    b[i] = sum / l[i * n + i]!;
  }
  return b;
}

/** x with Lᵀ x = b, in place. */
export function solveUpper(l: Float64Array, b: Float64Array): Float64Array {
  const n = b.length;
  for (let i = n - 1; i >= 0; i--) {
    let sum = b[i]!;
    for (let k = i + 1; k < n; k++) sum -= l[k * n + i]! * b[k]!;
    b[i] = sum / l[i * n + i]!;
  }
  return b;
}

export const dot = (a: ArrayLike<number>, b: ArrayLike<number>): number => {
  let sum = 0;
  for (let k = 0; k < a.length; k++) sum += a[k]! * b[k]!;
  return sum;
};

/** A column of a linear model, with what is known of its coefficient beforehand. */
export interface Column {
  readonly name: string;
  readonly values: Float64Array;
  readonly mean: number;
  readonly sd: number;
}

export interface Fitted {
  readonly mean: readonly number[];
  /** Of the coefficients, row by row. */
  readonly covariance: Float64Array;
  /** Of the whitened residuals, over their number. */
  readonly chi2PerPoint: number;
}

/** Generalised least squares with a normal prior for every coefficient. @param noise covariance of the readings; it is used up */
export function fit(y: ArrayLike<number>, columns: readonly Column[], noise: Float64Array): Fitted {
  const [n, m] = [y.length, columns.length];
  const l = cholesky(noise, n);
  const white = columns.map(({ values }) => solveLower(l, Float64Array.from(values)));
  const seen = solveLower(l, Float64Array.from(y));
  const precision = new Float64Array(m * m);
  const right = new Float64Array(m);
  for (let i = 0; i < m; i++) {
    const { mean, sd } = columns[i]!;
    for (let j = 0; j <= i; j++) precision[i * m + j] = precision[j * m + i] = dot(white[i]!, white[j]!);
    precision[i * m + i]! += 1 / (sd * sd);
    right[i] = dot(white[i]!, seen) + mean / (sd * sd);
  }
  const factor = cholesky(precision, m);
  const mean = solveUpper(factor, solveLower(factor, right));
  const covariance = new Float64Array(m * m);
  for (let j = 0; j < m; j++) {
    const unit = new Float64Array(m);
    unit[j] = 1;
    const column = solveUpper(factor, solveLower(factor, unit));
    for (let i = 0; i < m; i++) covariance[i * m + j] = column[i]!;
  }
  let chi2 = 0;
  for (let k = 0; k < n; k++) {
    let rest = seen[k]!;
    for (let i = 0; i < m; i++) rest -= white[i]![k]! * mean[i]!;
    chi2 += rest * rest;
  }
  return { mean: [...mean], covariance, chi2PerPoint: chi2 / n };
}

/** Probability that a standard normal is below z. Source: Abramowitz and Stegun 7.1.26 (from memory), within 1e-7 after one refinement. */
export function normalBelow(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const tail = 0.5 * poly * Math.exp(-x * x);
  return z > 0 ? 1 - tail : tail;
}
