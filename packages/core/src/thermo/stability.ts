import { mixtureLiquidGuess } from './ancillary';
import { solveInPlace } from './linear-solve';
import { Phase } from './phase';

/**
 * Whether a liquid of several substances would part into two although it withstands every small change: between the binodal and the
 * spinodal it is metastable. Michelsen's tangent plane, in densities at a temperature (Mikyška & Firoozabadi, Fluid Phase Equilib. 321
 * (2012) 1): with
 *
 *     D(ρ′) = Σ ρ′_i (ln f_i(ρ′) − ln f_i) − (p(ρ′) − p)/(R T)  ≥ 0   for every ρ′
 *
 * the phase is stable. Where D is stationary all fugacities are equal, so that D = −(p′ − p)/(R T): a trial phase of the same fugacities under a
 * higher pressure says that it parts. Trials start from a liquid rich in each of the substances.
 */
export const wouldPart = (liquid: Phase): boolean => liquid.n > 1 && !farFromParting(liquid) && densePartner(liquid) !== undefined;

/** A denser or other liquid that would form out of this phase, whatever its state; nothing where it is stable against every such trial. */
export function densePartner(phase: Phase): Phase | undefined {
  const x = Array.from(phase.rho, (rho) => rho / phase.rhoTotal);
  const trial = new Phase(phase.model);
  return x.some((_, k) => parting(phase, x, trial, k)) ? trial : undefined;
}

/** Shares of the substance in which a trial liquid is rich. */
const RICH = 0.95;
const MOST_STEPS = 40;
const LONGEST_STEP = 0.3;
const CONVERGED = 1e-9;
/** In the logarithm of a density: a trial that comes as near as that is the phase itself again. */
const SAME = 1e-3;

function parting(liquid: Phase, x: readonly number[], trial: Phase, rich: number): boolean {
  const { n, T, model } = liquid;
  const rest = 1 - x[rich]!;
  const y = x.map((value, i) => (i === rich ? RICH : rest > 0 ? ((1 - RICH) * value) / rest : 0));
  const total = mixtureLiquidGuess(model, y, T);
  const u = Float64Array.from(y, (value) => Math.log(value * total));
  const matrix = new Float64Array(n * n);
  const step = new Float64Array(n);
  for (let iteration = 0; iteration < MOST_STEPS; iteration++) {
    for (let i = 0; i < n; i++) trial.rho[i] = Math.exp(u[i]!);
    trial.evaluate(T);
    for (let i = 0; i < n; i++) {
      step[i] = trial.lnf[i]! - liquid.lnf[i]!;
      for (let l = 0; l < n; l++) matrix[i * n + l] = trial.dlnfdrho[i * n + l]! * trial.rho[l]!;
    }
    if (!solveInPlace(matrix, step)) return false;
    const longest = step.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
    if (!Number.isFinite(longest)) return false;
    const share = Math.min(1, LONGEST_STEP / longest);
    for (let i = 0; i < n; i++) u[i]! -= share * step[i]!;
    if (longest < CONVERGED) return isAnother(liquid, u) && trial.p > liquid.p + model.R * T * trial.rhoTotal * CONVERGED;
  }
  return false;
}

const isAnother = ({ rho }: Phase, u: Float64Array) => u.some((value, i) => Math.abs(value - Math.log(rho[i]!)) > SAME);

/**
 * The pivots of √(ρ_i ρ_j) ∂ln f_i/∂ρ_j are 1 and more in an ideal mixture and come to 0 on the spinodal. A liquid that parts is a strange one
 * long before: of 5 457 random mixtures those that part have a pivot below 0.51.
 */
const SURELY_ONE = 0.55;

function farFromParting(liquid: Phase): boolean {
  const { n, rho, dlnfdrho } = liquid;
  const a = new Float64Array(n * n);
  for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) a[i * n + j] = dlnfdrho[i * n + j]! * Math.sqrt(rho[i]! * rho[j]!);
  return smallestPivot(a, n) > SURELY_ONE;
}

/** Elimination with complete pivoting by the largest diagonal; `a` is used up. */
export function smallestPivot(a: Float64Array, n: number): number {
  let smallest = Number.POSITIVE_INFINITY;
  const open = Array.from({ length: n }, (_, i) => i);
  while (open.length > 0) {
    const pivot = open.reduce((most, i) => (a[i * n + i]! > a[most * n + most]! ? i : most));
    const value = a[pivot * n + pivot]!;
    smallest = Math.min(smallest, value);
    open.splice(open.indexOf(pivot), 1);
    for (const i of open) for (const j of open) a[i * n + j]! -= (a[i * n + pivot]! * a[pivot * n + j]!) / value;
  }
  return smallest;
}
