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

/** exp(−this) is below the last digit of any sum of terms. */
const NEGLIGIBLE = 45;

/**
 * Adds α, τα_τ, δα_δ, τ²α_ττ, τδα_τδ, δ²α_δδ of the term to `sum`. With x = δ − 1, y = τ − 1 the term is n δ Δ^b ψ, where
 * Δ = θ² + B (x²)^a, θ = −y + A (x²)^(1/2β) and ψ = exp(−C x² − D y²). Powers of x² are made of two, for they are what takes the time.
 * Source: Span & Wagner, J. Phys. Chem. Ref. Data 25 (1996) 1509, table 32.
 */
export function addNonAnalytic({ n, a, b, beta, A, B, C, D }: NonAnalyticTerm, tau: number, delta: number, sum: Float64Array): void {
  const x = beside(delta - 1);
  const y = beside(tau - 1);
  const square = x * x;
  const exponent = C * square + D * y * y;
  if (exponent > NEGLIGIBLE) return;
  const psi = Math.exp(-exponent);
  const psi_d = -2 * C * x * psi;
  const psi_dd = (2 * C * square - 1) * 2 * C * psi;
  const psi_t = -2 * D * y * psi;
  const psi_tt = (2 * D * y * y - 1) * 2 * D * psi;
  const psi_dt = 4 * C * D * x * y * psi;

  const half = 1 / (2 * beta);
  const lnSquare = Math.log(square);
  const toHalf = Math.exp(half * lnSquare);
  const toA = Math.exp(a * lnSquare);
  const theta = -y + A * toHalf;
  const distance = theta * theta + B * toA;
  const bend = toHalf / square; // (x²)^(1/2β − 1)
  const slope = A * theta * (2 / beta) * bend + (2 * B * a * toA) / square; // Δ_δ / x
  const distance_d = x * slope;
  const distance_dd =
    slope +
    (4 * B * a * (a - 1) * toA) / square +
    (2 * A * A * square * bend * bend) / (beta * beta) +
    (A * theta * 4 * (half - 1) * bend) / beta;
  const power = Math.exp(b * Math.log(distance));
  const first = (b * power) / distance;
  const second = ((b - 1) * first) / distance;
  const power_d = first * distance_d;
  const power_dd = first * distance_dd + second * distance_d * distance_d;
  const power_t = -2 * theta * first;
  const power_tt = 2 * first + 4 * theta * theta * second;
  const power_dt = (-A * 2 * first * x * bend) / beta - 2 * theta * second * distance_d;

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
