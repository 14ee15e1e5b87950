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

/** Exponent of a factor, with w and z as above. */
interface Factor {
  readonly exponent: number;
  readonly w: number;
  readonly z: number;
}

const NO_FACTOR: Factor = { exponent: 0, w: 0, z: 0 };

/** h, τ h′ and τ² h″ of one term. */
export function tauTermAt(term: TauTerm, tau: number, lnTau: number): readonly [number, number, number] {
  const inner = term.m === 0 ? NO_FACTOR : innerExponential(term.m, lnTau);
  const bell = term.bell === undefined ? NO_FACTOR : bellAt(term.bell, tau);
  const h = term.n * Math.exp(term.t * lnTau + inner.exponent + bell.exponent);
  const w = term.t + inner.w + bell.w;
  return [h, w * h, (w * w - w + inner.z + bell.z) * h];
}

function innerExponential(m: number, lnTau: number): Factor {
  const power = Math.exp(m * lnTau);
  return { exponent: -power, w: -m * power, z: -m * m * power };
}

function bellAt(bell: Bell, tau: number): Factor {
  const distance = tau - bell.gamma;
  const square = bell.beta * distance * distance;
  const slope = 2 * bell.beta * tau * distance; // τ d(square)/dτ
  const curvature = 2 * bell.beta * tau * (tau + distance); // τ d(slope)/dτ
  switch (bell.kind) {
    case 'gaussian':
      return { exponent: -square, w: -slope, z: -curvature };
    case 'gaoB': {
      const e = 1 / (square + bell.b);
      return { exponent: e, w: -e * e * slope, z: e * e * (2 * e * slope * slope - curvature) };
    }
    default:
      return bell satisfies never;
  }
}
