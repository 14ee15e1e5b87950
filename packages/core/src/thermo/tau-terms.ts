/**
 * The τ side of the residual terms:
 *
 *     h(τ) = n τ^t · exp(−τ^m) · exp(−β (τ − γ)²)          and, for `gaoB`,          n τ^t · exp(1 / (β (τ − γ)² + b))
 *
 * (each exponential absent where its parameters are). With w = τ (ln h)′ and z = τ w′ the derivatives are τ h′ = w h and
 * τ² h″ = (w² − w + z) h.
 */
export interface TauTerm {
  readonly n: number;
  readonly t: number;
  /** Exponent of the inner exponential; 0 where there is none. */
  readonly m: number;
  readonly bell?: Bell;
}

export type Bell =
  | { readonly kind: 'gaussian'; readonly beta: number; readonly gamma: number }
  | { readonly kind: 'gaoB'; readonly beta: number; readonly gamma: number; readonly b: number };

/** Exponent, w and z of a factor; of a whole term h, τ h′ and τ² h″. */
type Triple = Float64Array;

const inner = new Float64Array(3);
const bell = new Float64Array(3);

/** @param out h, τ h′ and τ² h″ of the term; nothing else is made, for a solver asks for millions of them */
export function tauTermAt(term: TauTerm, tau: number, lnTau: number, out: Triple): void {
  if (term.m === 0) inner.fill(0);
  else innerExponential(term.m, lnTau);
  if (term.bell === undefined) bell.fill(0);
  else bellAt(term.bell, tau);
  const h = term.n * Math.exp(term.t * lnTau + inner[0]! + bell[0]!);
  const w = term.t + inner[1]! + bell[1]!;
  out[0] = h;
  out[1] = w * h;
  out[2] = (w * w - w + inner[2]! + bell[2]!) * h;
}

function innerExponential(m: number, lnTau: number): void {
  const power = Math.exp(m * lnTau);
  inner[0] = -power;
  inner[1] = -m * power;
  inner[2] = -m * m * power;
}

function bellAt(shape: Bell, tau: number): void {
  const distance = tau - shape.gamma;
  const square = shape.beta * distance * distance;
  const slope = 2 * shape.beta * tau * distance; // τ d(square)/dτ
  const curvature = 2 * shape.beta * tau * (tau + distance); // τ d(slope)/dτ
  switch (shape.kind) {
    case 'gaussian':
      bell[0] = -square;
      bell[1] = -slope;
      bell[2] = -curvature;
      return;
    case 'gaoB': {
      const e = 1 / (square + shape.b);
      bell[0] = e;
      bell[1] = -e * e * slope;
      bell[2] = e * e * (2 * e * slope * slope - curvature);
      return;
    }
    default:
      shape satisfies never;
  }
}
