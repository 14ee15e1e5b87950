import type { Density } from '../units/quantity';
import type { DeparturePair, MixtureModel } from './mixture-model';
import { emptyForm, evaluateForm, scaledForm, type QuadraticForm } from './reducing';
import { A, A_D, A_DD, A_T, A_TD, A_TT, ResidualSum, TauSide } from './residual-sum';

/**
 * One phase at a temperature and component densities ρ_i (mol/m³), with everything that the equilibrium equations ask of it.
 *
 * With S = A^r/(V R T), the residual Helmholtz energy per volume, as a function of T and the component densities,
 *
 *     S = Σ ρ_i α_i(τ, δ) + (1/ρ) Σ_{i<j} ρ_i ρ_j F_ij α_ij(τ, δ),      τ = Q_T/(ρ² T),      δ = Q_v/ρ,
 *
 * fugacities and pressure are  ln f_k = ln(ρ_k R T) + S_k,  p = R T (ρ − S + Σ ρ_k S_k),  S_k = ∂S/∂ρ_k.
 * All derivatives are analytic. The quadratic forms Q stand in `reducing.ts`.
 */
export class Phase {
  readonly n: number;
  T = Number.NaN;
  /** Component densities, mol/m³. */
  readonly rho: Float64Array;
  /** Σ ρ_i, mol/m³ */
  rhoTotal = Number.NaN;
  /** Pressure, Pa. */
  p = Number.NaN;
  /** ∂p/∂T at fixed ρ_i, Pa/K */
  dpdT = Number.NaN;
  /** ln(f_k / Pa) */
  readonly lnf: Float64Array;
  /** ∂ ln f_k/∂T at fixed ρ_i, 1/K */
  readonly dlnfdT: Float64Array;
  /** ∂ ln f_k/∂ρ_l, row by row, m³/mol */
  readonly dlnfdrho: Float64Array;
  /** S, mol/m³; T ∂S/∂T and T² ∂²S/∂T² at fixed ρ_i */
  S = Number.NaN;
  TS_T = Number.NaN;
  TTS_TT = Number.NaN;

  /** Component densities, mol/m³, to which `followTo` goes. */
  readonly target: Float64Array;

  /** Mole fractions that stay while the density moves, and the reducing functions at a density of 1. */
  private held: readonly number[] | undefined;
  private readonly heldT;
  private readonly heldV;
  private readonly sum: ResidualSum;
  private readonly formT;
  private readonly formV;
  private readonly tau_k: Float64Array;
  private readonly delta_k: Float64Array;
  /** ∂/∂ρ_k of the explicit densities in S: value, τ- and δ-derivative (scaled). */
  private readonly explicit: Float64Array;
  private readonly explicit_t: Float64Array;
  private readonly explicit_d: Float64Array;
  /** Σ over the explicit densities of α and its scaled derivatives. */
  private readonly summed = new Float64Array(6);

  constructor(
    readonly model: MixtureModel,
    tauSide = new TauSide(model.plan),
  ) {
    const n = model.substances.length;
    this.n = n;
    const vector = () => new Float64Array(n);
    this.rho = vector();
    this.target = vector();
    this.lnf = vector();
    this.dlnfdT = vector();
    this.dlnfdrho = new Float64Array(n * n);
    this.tau_k = vector();
    this.delta_k = vector();
    this.explicit = vector();
    this.explicit_t = vector();
    this.explicit_d = vector();
    this.sum = new ResidualSum(model.plan, model.basis, tauSide);
    this.formT = emptyForm(n);
    this.formV = emptyForm(n);
    this.heldT = emptyForm(n);
    this.heldV = emptyForm(n);
  }

  /** Evaluates the phase at T (K) and `this.rho`. */
  evaluate(T: number): void {
    const { rho, n } = this;
    this.T = T;
    let total = 0;
    for (let k = 0; k < n; k++) total += rho[k]!;
    this.rhoTotal = total;
    if (this.held === undefined) this.evaluateForms(rho, this.formT, this.formV);
    else {
      scaledForm(this.heldT, total, this.formT);
      scaledForm(this.heldV, total, this.formV);
    }
    // at a held composition τ is the same number at every density, and the sums over τ are kept
    const tau = (this.held === undefined ? this.formT.value / (total * total) : this.heldT.value) / T;
    const delta = this.formV.value / total;
    this.sum.evaluate(tau, delta);
    const s = this.sumUp();
    this.firstDerivatives(s);
    this.secondDerivatives(s);
  }

  private evaluateForms(rho: ArrayLike<number>, formT: QuadraticForm, formV: QuadraticForm): void {
    const { T, v, reducingPairs } = this.model;
    evaluateForm(formT, rho, T, reducingPairs, 'cT', 'bT');
    evaluateForm(formV, rho, v, reducingPairs, 'cV', 'bV');
  }

  /**
   * Takes over T (K) and the densities in `target`, so near to those of now that the squares of the differences do not count: the pressure follows
   * its slopes; fugacities and derivatives stay those of the state before.
   */
  followTo(T: number): void {
    const { n, rho, target } = this;
    let p = this.p + this.dpdT * (T - this.T);
    for (let l = 0; l < n; l++) p += this.dpdrho(l) * (target[l]! - rho[l]!);
    let total = 0;
    for (let l = 0; l < n; l++) total += rho[l] = target[l]!;
    this.rhoTotal = total;
    this.T = T;
    this.p = p;
  }

  /** S and its scaled derivatives at fixed explicit densities: Σ ρ_i α_i + departures. */
  private sumUp(): Float64Array {
    const { rho, n, rhoTotal, model, summed: s } = this;
    s.fill(0);
    for (let i = 0; i < n; i++) addTimes(s, rho[i]!, this.sum.alpha[i]!);
    for (const pair of model.departures) addTimes(s, this.weightOf(pair) / rhoTotal, this.sum.alpha[pair.residual]!);
    return s;
  }

  private weightOf = ({ i, j, F }: DeparturePair) => this.rho[i]! * this.rho[j]! * F;

  private firstDerivatives(s: Float64Array): void {
    const { n, rho, rhoTotal, formT, formV, model } = this;
    const { alpha } = this.sum;
    for (let k = 0; k < n; k++) {
      this.tau_k[k] = formT.first[k]! / formT.value - 2 / rhoTotal; // ∂ ln τ/∂ρ_k
      this.delta_k[k] = formV.first[k]! / formV.value - 1 / rhoTotal; // ∂ ln δ/∂ρ_k
      this.explicit[k] = alpha[k]![A]!;
      this.explicit_t[k] = alpha[k]![A_T]!;
      this.explicit_d[k] = alpha[k]![A_D]!;
    }
    for (const pair of model.departures) this.addDeparture(pair);
    this.S = s[A]!;
    this.TS_T = -s[A_T]!;
    this.TTS_TT = s[A_TT]! + 2 * s[A_T]!;
    let density = rhoTotal - s[A]!;
    for (let k = 0; k < n; k++) {
      const S_k = this.explicit[k]! + s[A_T]! * this.tau_k[k]! + s[A_D]! * this.delta_k[k]!;
      this.lnf[k] = Math.log(rho[k]! * model.R * this.T) + S_k;
      density += rho[k]! * S_k;
    }
    this.p = model.R * this.T * density;
  }

  /** (1/ρ) Σ_j ρ_j F α_kj − (1/ρ²) ρ_i ρ_j F α_ij, the derivative of a pair's departure by the densities that stand before it. */
  private addDeparture(pair: DeparturePair): void {
    const { n, rho, rhoTotal } = this;
    const alpha = this.sum.alpha[pair.residual]!;
    const all = -this.weightOf(pair) / (rhoTotal * rhoTotal);
    for (let k = 0; k < n; k++) {
      const value = k === pair.i ? rho[pair.j]! : k === pair.j ? rho[pair.i]! : 0;
      const weight = (value * pair.F) / rhoTotal + all;
      this.explicit[k]! += weight * alpha[A]!;
      this.explicit_t[k]! += weight * alpha[A_T]!;
      this.explicit_d[k]! += weight * alpha[A_D]!;
    }
  }

  private secondDerivatives(s: Float64Array): void {
    const { n, rho, rhoTotal, model, T, tau_k, delta_k, dlnfdrho, explicit_t, explicit_d, formT, formV } = this;
    const [sT, sD, sTT, sTD, sDD] = [s[A_T]!, s[A_D]!, s[A_TT]!, s[A_TD]!, s[A_DD]!];
    const [perT, perV, perRho] = [1 / formT.value, 1 / formV.value, 1 / rhoTotal];
    const perSquare = perRho * perRho;
    for (let k = 0; k < n; k++) {
      const [tau, delta, ownT, ownD] = [tau_k[k]!, delta_k[k]!, explicit_t[k]!, explicit_d[k]!];
      const [firstT, firstV] = [formT.first[k]!, formV.first[k]!];
      for (let l = k; l < n; l++) {
        const at = k * n + l;
        // τ_kl/τ and δ_kl/δ, where τ = Q_T ρ⁻²/T and δ = Q_v ρ⁻¹
        const tau_kl = (formT.second[at]! - 2 * (firstT + formT.first[l]!) * perRho) * perT + 6 * perSquare;
        const delta_kl = (formV.second[at]! - (firstV + formV.first[l]!) * perRho) * perV + 2 * perSquare;
        const [tau_l, delta_l] = [tau_k[l]!, delta_k[l]!];
        const S_kl =
          ownT * tau_l + ownD * delta_l + explicit_t[l]! * tau + explicit_d[l]! * delta +
          sTT * tau * tau_l + sTD * (tau * delta_l + tau_l * delta) + sDD * delta * delta_l + sT * tau_kl + sD * delta_kl; // prettier-ignore
        dlnfdrho[at] = S_kl;
        dlnfdrho[l * n + k] = S_kl;
      }
    }
    for (const pair of model.departures) this.addDepartureSecond(pair);
    let dpdT = 0;
    for (let k = 0; k < n; k++) {
      // ∂S_k/∂T at fixed densities: every τ-derivative times −τ/T
      const S_kT = -(explicit_t[k]! + (s[A_TT]! + s[A_T]!) * tau_k[k]! + s[A_TD]! * delta_k[k]!) / T;
      this.dlnfdT[k] = 1 / T + S_kT;
      dpdT += rho[k]! * S_kT;
      dlnfdrho[k * n + k]! += 1 / rho[k]!;
    }
    this.dpdT = this.p / T + model.R * T * (dpdT - this.TS_T / T);
  }

  /** Second derivative of (1/ρ) ρ_i ρ_j F α by the densities that stand before it. */
  private addDepartureSecond({ i, j, F, residual }: DeparturePair): void {
    const { n, rho, rhoTotal, dlnfdrho } = this;
    const alpha = (this.sum.alpha[residual]![A]! * F) / rhoTotal;
    const all = (2 * rho[i]! * rho[j]!) / (rhoTotal * rhoTotal);
    // ρ_j stands before ρ_i and ρ_i before ρ_j; before any other nothing does
    const [ofI, ofJ] = [rho[j]! / rhoTotal, rho[i]! / rhoTotal];
    for (let k = 0; k < n; k++) {
      const value = all - (k === i ? ofI : k === j ? ofJ : 0);
      for (let l = 0; l < n; l++) dlnfdrho[k * n + l]! += alpha * (value - (l === i ? ofI : l === j ? ofJ : 0));
    }
    dlnfdrho[i * n + j]! += alpha;
    dlnfdrho[j * n + i]! += alpha;
  }

  /** ∂p/∂ρ_l at fixed T, Pa m³/mol: R T Σ_k ρ_k ∂ ln f_k/∂ρ_l (Gibbs–Duhem). */
  dpdrho(l: number): number {
    let sum = 0;
    for (let k = 0; k < this.n; k++) sum += this.rho[k]! * this.dlnfdrho[k * this.n + l]!;
    return this.model.R * this.T * sum;
  }

  /** ∂p/∂ρ at fixed T and composition, Pa m³/mol. Negative: the phase cannot exist. */
  dpdrhoTotal(): number {
    let sum = 0;
    for (let l = 0; l < this.n; l++) sum += (this.rho[l]! / this.rhoTotal) * this.dpdrho(l);
    return sum;
  }

  /** Takes over component densities: `total` mol/m³ in the proportions of `fraction`, which is not changed while it is held. */
  set(fraction: readonly number[], total: number): this {
    for (let k = 0; k < this.n; k++) this.rho[k] = fraction[k]! * total;
    if (this.held !== fraction) {
      this.held = fraction;
      this.evaluateForms(fraction, this.heldT, this.heldV);
    }
    return this;
  }
}

/** sum + times · values, of the six derivatives. */
function addTimes(sum: Float64Array, times: number, values: Float64Array): void {
  sum[0]! += times * values[0]!;
  sum[1]! += times * values[1]!;
  sum[2]! += times * values[2]!;
  sum[3]! += times * values[3]!;
  sum[4]! += times * values[4]!;
  sum[5]! += times * values[5]!;
}

/** kg/m³ of a phase. */
export const massDensity = (phase: Phase): Density =>
  phase.model.substances.reduce((sum, { molarMass }, i) => sum + phase.rho[i]! * molarMass, 0) as Density;

/** A phase of its own, evaluated at component densities (mol/m³) and T (K). */
export function evaluatedPhase(model: MixtureModel, rho: readonly number[], T: number): Phase {
  const phase = new Phase(model);
  phase.rho.set(rho);
  phase.evaluate(T);
  return phase;
}
