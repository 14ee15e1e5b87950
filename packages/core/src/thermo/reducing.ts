import type { MixtureModel, ReducingPair } from './mixture-model';

/**
 * A GERG reducing function as the quadratic form that it is in component densities ρ_i = x_i ρ:
 *
 *     Q(ρ) = Σ ρ_i² y_i + Σ_{i<j} c_ij φ(ρ_i, ρ_j),     φ = ρ_i ρ_j (ρ_i + ρ_j) / (b ρ_i + ρ_j),  b = β²,
 *
 * homogeneous of degree 2, so that y(x) = Q/ρ². Its derivatives need no special care for Σ x_i = 1.
 */
export interface QuadraticForm {
  value: number;
  /** ∂Q/∂ρ_k */
  readonly first: Float64Array;
  /** ∂²Q/∂ρ_k∂ρ_l, row by row */
  readonly second: Float64Array;
}

export const emptyForm = (n: number): QuadraticForm => ({ value: 0, first: new Float64Array(n), second: new Float64Array(n * n) });

/** The form of the same composition at another density: `times` as dense as it is in `of`. */
export function scaledForm(of: QuadraticForm, times: number, form: QuadraticForm): void {
  form.value = of.value * times * times;
  for (let k = 0; k < of.first.length; k++) form.first[k] = of.first[k]! * times;
  form.second.set(of.second);
}

/** Fills Q and its derivatives; `c` and `b` pick the temperature's or the volume's parameters of a pair. */
export function evaluateForm(
  form: QuadraticForm,
  rho: ArrayLike<number>,
  pure: readonly number[],
  pairs: readonly ReducingPair[],
  c: 'cT' | 'cV',
  b: 'bT' | 'bV',
): void {
  const n = pure.length;
  form.value = 0;
  form.second.fill(0);
  for (let k = 0; k < n; k++) {
    form.value += rho[k]! * rho[k]! * pure[k]!;
    form.first[k] = 2 * rho[k]! * pure[k]!;
    form.second[k * n + k] = 2 * pure[k]!;
  }
  for (const pair of pairs) addPair(form, rho, pair.i, pair.j, pair[c], pair[b], n);
}

function addPair(form: QuadraticForm, rho: ArrayLike<number>, i: number, j: number, c: number, b: number, n: number): void {
  const ri = rho[i]!;
  const rj = rho[j]!;
  // φ·(b ρ_i + ρ_j) = ρ_i² ρ_j + ρ_i ρ_j², differentiated as a product
  const d = b * ri + rj;
  const phi = (ri * rj * (ri + rj)) / d;
  const phi_i = (2 * ri * rj + rj * rj - b * phi) / d;
  const phi_j = (ri * ri + 2 * ri * rj - phi) / d;
  const phi_ij = (2 * ri + 2 * rj - phi_i - b * phi_j) / d;
  form.value += c * phi;
  form.first[i]! += c * phi_i;
  form.first[j]! += c * phi_j;
  form.second[i * n + i]! += (c * (2 * rj - 2 * b * phi_i)) / d;
  form.second[j * n + j]! += (c * (2 * ri - 2 * phi_j)) / d;
  form.second[i * n + j]! += c * phi_ij;
  form.second[j * n + i]! += c * phi_ij;
}

/** Reducing temperature of a composition, K. */
export function reducingTemperature(model: MixtureModel, x: ArrayLike<number>): number {
  const value = model.T.reduce((sum, T, i) => sum + x[i]! * x[i]! * T, 0);
  return model.reducingPairs.reduce((sum, { i, j, cT, bT }) => sum + (cT * x[i]! * x[j]! * (x[i]! + x[j]!)) / (bT * x[i]! + x[j]!), value);
}
