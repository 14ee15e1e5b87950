import type { DeltaBasis } from './delta-basis';
import { addNonAnalytic } from './non-analytic';
import type { PlannedResidual, ResidualPlan } from './residual-plan';
import { tauTermAt } from './tau-terms';

/** α and its scaled derivatives, in this order. */
export const A = 0;
export const A_T = 1; // τ α_τ
export const A_D = 2; // δ α_δ
export const A_TT = 3; // τ² α_ττ
export const A_TD = 4; // τδ α_τδ
export const A_DD = 5; // δ² α_δδ

/** Coefficients of the slots of one residual function at one τ: the sums of h, τ h′ and τ² h″. */
interface Coefficients {
  readonly h: Float64Array;
  readonly h1: Float64Array;
  readonly h2: Float64Array;
}

/** h, τ h′ and τ² h″ of the term that is added. */
const current = new Float64Array(3);

/**
 * The τ side of a model's residual functions, kept between calls: most solves move only the density. Phases of a pure fluid at one temperature
 * share it, for their τ is the same.
 */
export class TauSide {
  readonly coefficients: readonly Coefficients[];
  private readonly powers: Float64Array;
  private readonly whole: Float64Array;
  private readonly eighth = new Float64Array(8);
  private tau = Number.NaN;

  constructor(private readonly plan: ResidualPlan) {
    const zeros = (n: number) => new Float64Array(n);
    this.coefficients = plan.residuals.map(({ forms: { length } }) => ({ h: zeros(length), h1: zeros(length), h2: zeros(length) }));
    this.powers = zeros(plan.exponents.length);
    this.whole = zeros(plan.wholeRange[1] - plan.wholeRange[0] + 1);
  }

  evaluate(tau: number): void {
    if (tau === this.tau) return;
    const { residuals } = this.plan;
    const lnTau = Math.log(tau);
    this.raise(tau, lnTau);
    for (let k = 0; k < residuals.length; k++) this.collect(residuals[k]!, this.coefficients[k]!, tau, lnTau);
    this.tau = tau;
  }

  /** τ to every exponent. Most are whole eighths: products of whole powers and square roots, which are quicker than exponentials. */
  private raise(tau: number, lnTau: number): void {
    const { exponents, wholes, eighths, wholeRange } = this.plan;
    const { powers, whole, eighth } = this;
    const zero = -wholeRange[0];
    whole[zero] = 1;
    for (let k = zero + 1; k < whole.length; k++) whole[k] = whole[k - 1]! * tau;
    for (let k = zero - 1; k >= 0; k--) whole[k] = whole[k + 1]! / tau;
    eighth[0] = 1;
    eighth[4] = Math.sqrt(tau);
    eighth[2] = Math.sqrt(eighth[4]);
    eighth[1] = Math.sqrt(eighth[2]);
    eighth[3] = eighth[2] * eighth[1];
    for (let k = 5; k < 8; k++) eighth[k] = eighth[4] * eighth[k - 4]!;
    for (let k = 0; k < wholes.length; k++) powers[k] = whole[wholes[k]! + zero]! * eighth[eighths[k]!]!;
    for (let k = wholes.length; k < exponents.length; k++) powers[k] = Math.exp(exponents[k]! * lnTau);
  }

  /** One coefficient per slot: the sum of the h(τ) of all its terms; for n τ^t, τ h′ = t h and τ² h″ = t (t − 1) h. */
  private collect(residual: PlannedResidual, { h, h1, h2 }: Coefficients, tau: number, lnTau: number): void {
    const { plainFrom, plain0, plain1, plain2, plainT, bells } = residual;
    const { powers } = this;
    for (let slot = 0; slot < h.length; slot++) {
      let c0 = 0, c1 = 0, c2 = 0; // prettier-ignore
      for (let i = plainFrom[slot]!; i < plainFrom[slot + 1]!; i++) {
        const power = powers[plainT[i]!]!;
        c0 += plain0[i]! * power;
        c1 += plain1[i]! * power;
        c2 += plain2[i]! * power;
      }
      h[slot] = c0;
      h1[slot] = c1;
      h2[slot] = c2;
    }
    for (let i = 0; i < bells.length; i++) {
      const { slot, term } = bells[i]!;
      tauTermAt(term, tau, lnTau, current);
      h[slot]! += current[0]!;
      h1[slot]! += current[1]!;
      h2[slot]! += current[2]!;
    }
  }
}

/** Sums the residual functions of a model at one (τ, δ). */
export class ResidualSum {
  /** α and derivatives of each residual function, at the last (τ, δ). */
  readonly alpha: readonly Float64Array[];
  private readonly f0: Float64Array;
  private readonly f1: Float64Array;
  private readonly f2: Float64Array;

  constructor(
    private readonly plan: ResidualPlan,
    private readonly basis: DeltaBasis,
    private readonly tauSide: TauSide,
  ) {
    this.alpha = plan.residuals.map(() => new Float64Array(6));
    this.f0 = new Float64Array(basis.size);
    this.f1 = new Float64Array(basis.size);
    this.f2 = new Float64Array(basis.size);
  }

  evaluate(tau: number, delta: number): void {
    const { residuals } = this.plan;
    this.tauSide.evaluate(tau);
    this.basis.evaluate(delta, this.f0, this.f1, this.f2);
    for (let k = 0; k < residuals.length; k++) {
      const { forms, nonAnalytic } = residuals[k]!;
      this.sum(forms, this.tauSide.coefficients[k]!, this.alpha[k]!);
      for (let t = 0; t < nonAnalytic.length; t++) addNonAnalytic(nonAnalytic[t]!, tau, delta, this.alpha[k]!);
    }
  }

  private sum(forms: Int32Array, { h, h1, h2 }: Coefficients, alpha: Float64Array): void {
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
    alpha[A] = a;
    alpha[A_T] = aT;
    alpha[A_D] = aD;
    alpha[A_TT] = aTT;
    alpha[A_TD] = aTD;
    alpha[A_DD] = aDD;
  }
}
