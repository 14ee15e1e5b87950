import type { NonAnalyticColumns } from '../fluids/substance';

/** One term n Δ^b δ ψ of the equation of R-744. */
export interface NonAnalyticTerm {
  readonly n: number;
  readonly a: number;
  readonly b: number;
  readonly beta: number;
  readonly A: number;
  readonly B: number;
  readonly C: number;
  readonly D: number;
}

export const nonAnalyticTerms = (columns: NonAnalyticColumns): readonly NonAnalyticTerm[] =>
  columns.n.map((n, i) => ({
    n,
    a: columns.a[i]!,
    b: columns.b[i]!,
    beta: columns.beta[i]!,
    A: columns.A[i]!,
    B: columns.B[i]!,
    C: columns.C[i]!,
    D: columns.D[i]!,
  }));

/** The term is singular at τ = δ = 1, an ordinary state of a mixture: it is evaluated this far beside it, where it is flat. */
const NEAREST = 1e-10;
const beside = (distance: number) => (Math.abs(distance) < NEAREST ? NEAREST : distance);

/**
 * Adds α, τα_τ, δα_δ, τ²α_ττ, τδα_τδ, δ²α_δδ of the term to `sum`.
 * Source: Span & Wagner, J. Phys. Chem. Ref. Data 25 (1996) 1509, table 32.
 */
export function addNonAnalytic(term: NonAnalyticTerm, tau: number, delta: number, sum: Float64Array): void {
  const { n } = term;
  const x = beside(delta - 1);
  const y = beside(tau - 1);
  const { power, power_d, power_dd, power_t, power_tt, power_dt } = distancePower(term, x, y);
  const { psi, psi_d, psi_dd, psi_t, psi_tt, psi_dt } = bell(term, x, y);
  sum[0]! += n * delta * power * psi;
  sum[1]! += n * tau * delta * (power_t * psi + power * psi_t);
  sum[2]! += n * delta * (power * (psi + delta * psi_d) + power_d * delta * psi);
  sum[3]! += n * tau * tau * delta * (power_tt * psi + 2 * power_t * psi_t + power * psi_tt);
  sum[4]! +=
    n *
    tau *
    delta *
    (power * (psi_t + delta * psi_dt) + delta * power_d * psi_t + power_t * (psi + delta * psi_d) + power_dt * delta * psi);
  sum[5]! += n * delta * delta * (power * (2 * psi_d + delta * psi_dd) + 2 * power_d * (psi + delta * psi_d) + power_dd * delta * psi);
}

/** Δ^b and its derivatives, x = δ − 1, y = τ − 1. */
function distancePower({ a, b, beta, A, B }: NonAnalyticTerm, x: number, y: number) {
  const square = x * x;
  const half = 1 / (2 * beta);
  const theta = -y + A * square ** half;
  const distance = theta * theta + B * square ** a;
  const bend = square ** (half - 1);
  const slope = A * theta * (2 / beta) * bend + 2 * B * a * square ** (a - 1); // Δ_δ / x
  const distance_d = x * slope;
  const distance_dd =
    slope +
    square *
      (4 * B * a * (a - 1) * square ** (a - 2) +
        (2 * A * A * bend * bend) / (beta * beta) +
        (A * theta * 4 * (half - 1) * square ** (half - 2)) / beta);
  const power = distance ** b;
  const first = b * distance ** (b - 1);
  const second = b * (b - 1) * distance ** (b - 2);
  return {
    power,
    power_d: first * distance_d,
    power_dd: first * distance_dd + second * distance_d * distance_d,
    power_t: -2 * theta * first,
    power_tt: 2 * first + 4 * theta * theta * second,
    power_dt: (-A * 2 * first * x * bend) / beta - 2 * theta * second * distance_d,
  };
}

/** ψ = exp(−C x² − D y²) and its derivatives. */
function bell({ C, D }: NonAnalyticTerm, x: number, y: number) {
  const psi = Math.exp(-C * x * x - D * y * y);
  return {
    psi,
    psi_d: -2 * C * x * psi,
    psi_dd: (2 * C * x * x - 1) * 2 * C * psi,
    psi_t: -2 * D * y * psi,
    psi_tt: (2 * D * y * y - 1) * 2 * D * psi,
    psi_dt: 4 * C * D * x * y * psi,
  };
}
