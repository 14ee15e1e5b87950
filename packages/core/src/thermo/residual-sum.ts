import type { DeltaBasis } from './delta-basis';
import { addNonAnalytic } from './non-analytic';
import type { ResidualTerms } from './residual-terms';
import { tauTermAt } from './tau-terms';

/** α and its scaled derivatives, in this order. */
export const A = 0;
export const A_T = 1; // τ α_τ
export const A_D = 2; // δ α_δ
export const A_TT = 3; // τ² α_ττ
export const A_TD = 4; // τδ α_τδ
export const A_DD = 5; // δ² α_δδ

/**
 * Sums the residual functions of a model at one (τ, δ). The τ side is kept between calls: most solves move only the density.
 */
export class ResidualSum {
  /** α and derivatives of each residual function, at the last (τ, δ). */
  readonly alpha: readonly Float64Array[];
  private readonly coefficients: readonly {
    readonly forms: Int32Array;
    readonly slotOf: Int32Array;
    readonly h: Float64Array;
    readonly h1: Float64Array;
    readonly h2: Float64Array;
  }[];
  private readonly f0: Float64Array;
  private readonly f1: Float64Array;
  private readonly f2: Float64Array;
  private tau = Number.NaN;

  constructor(
    private readonly residuals: readonly ResidualTerms[],
    private readonly basis: DeltaBasis,
  ) {
    this.alpha = residuals.map(() => new Float64Array(6));
    this.coefficients = residuals.map(({ form }) => {
      const forms = [...new Set(form)];
      const zeros = () => new Float64Array(forms.length);
      return {
        forms: Int32Array.from(forms),
        slotOf: Int32Array.from(form, (f) => forms.indexOf(f)),
        h: zeros(),
        h1: zeros(),
        h2: zeros(),
      };
    });
    this.f0 = new Float64Array(basis.size);
    this.f1 = new Float64Array(basis.size);
    this.f2 = new Float64Array(basis.size);
  }

  evaluate(tau: number, delta: number): void {
    if (tau !== this.tau) this.collect(tau);
    this.basis.evaluate(delta, this.f0, this.f1, this.f2);
    for (let k = 0; k < this.residuals.length; k++) {
      this.sum(k);
      for (const term of this.residuals[k]!.nonAnalytic) addNonAnalytic(term, tau, delta, this.alpha[k]!);
    }
  }

  /** One coefficient per δ-form: the sum of the h(τ) of all its terms. */
  private collect(tau: number): void {
    const lnTau = Math.log(tau);
    for (let k = 0; k < this.residuals.length; k++) {
      const { slotOf, h, h1, h2 } = this.coefficients[k]!;
      const { term } = this.residuals[k]!;
      h.fill(0);
      h1.fill(0);
      h2.fill(0);
      for (let i = 0; i < term.length; i++) {
        const [value, first, second] = tauTermAt(term[i]!, tau, lnTau);
        const slot = slotOf[i]!;
        h[slot]! += value;
        h1[slot]! += first;
        h2[slot]! += second;
      }
    }
    this.tau = tau;
  }

  private sum(k: number): void {
    const { forms, h, h1, h2 } = this.coefficients[k]!;
    const { f0, f1, f2 } = this;
    let a = 0, aT = 0, aD = 0, aTT = 0, aTD = 0, aDD = 0; // prettier-ignore
    for (let slot = 0; slot < forms.length; slot++) {
      const form = forms[slot]!;
      a += h[slot]! * f0[form]!;
      aT += h1[slot]! * f0[form]!;
      aD += h[slot]! * f1[form]!;
      aTT += h2[slot]! * f0[form]!;
      aTD += h1[slot]! * f1[form]!;
      aDD += h[slot]! * f2[form]!;
    }
    this.alpha[k]!.set([a, aT, aD, aTT, aTD, aDD]);
  }
}
