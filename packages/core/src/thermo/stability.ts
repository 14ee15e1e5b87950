import { lnFugacityGuess, mixtureLiquidGuess } from './ancillary';
import { solveInPlace } from './linear-solve';
import { smallestPivotOfPairs } from './parting-pairs';
import { Phase } from './phase';
import { scaledCurvature, smallestPivot } from './pivots';

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
export function wouldPart(liquid: Phase): boolean {
  if (liquid.n === 1 || farFromParting(liquid)) return false;
  liquid.evaluate(liquid.T); // a solve leaves the fugacities a step behind
  return densePartner(liquid) !== undefined;
}

/** A denser or other liquid that would form out of this phase, whatever its state; nothing where it is stable against every such trial. */
export function densePartner(phase: Phase): Phase | undefined {
  const x = sharesOf(phase);
  const trial = new Phase(phase.model);
  return x.some((_, k) => parting(phase, x, trial, k)) ? trial : undefined;
}

/**
 * Liquids into which this one may part: for each substance the stationary trial that is rich in it, be it the better one or not. Starting values:
 * near them the true ones lie.
 */
export function splitOf(phase: Phase): readonly Phase[] {
  const x = sharesOf(phase);
  return x.flatMap((_, k) => {
    const trial = new Phase(phase.model);
    return stationary(phase, x, trial, k) ? [trial] : [];
  });
}

const sharesOf = ({ rho, rhoTotal }: Phase) => Array.from(rho, (value) => value / rhoTotal);

/** Shares of the substance in which a trial liquid is rich. */
const RICH = 0.95;
const MOST_STEPS = 40;
const LONGEST_STEP = 0.3;
const CONVERGED = 1e-9;
/** Of the tangent plane: two liquids at rest beside each other lie on one plane, but for what rounding leaves. */
const LEAST_DISTANCE = 1e-8;
/** In the logarithm of a density: a trial that comes as near as that is the phase itself again. */
const SAME = 1e-3;

/** Whether the trial liquid that is rich in a substance would form out of this one. */
function parting(liquid: Phase, x: readonly number[], trial: Phase, rich: number): boolean {
  const { T, model } = liquid;
  return (
    stationary(liquid, x, trial, rich) && isAnother(liquid, trial) && trial.p > liquid.p + model.R * T * trial.rhoTotal * LEAST_DISTANCE
  );
}

/** Moves the trial, at first rich in a substance, to where its fugacities are those of the liquid. */
function stationary(liquid: Phase, x: readonly number[], trial: Phase, rich: number): boolean {
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
    if (longest < CONVERGED) return true;
  }
  return false;
}

const isAnother = (liquid: Phase, trial: Phase) => trial.rho.some((value, i) => Math.abs(Math.log(value / liquid.rho[i]!)) > SAME);

/** Above this pivot a liquid is one, where no pair of its substances comes below that one at any composition, or where their activities are few. */
const SURELY_ONE = 0.55;
const PAIR_SURELY_ONE = 0.05;
/** Of 648 liquids beside another one the least sum was 1.33. */
const FEW_ACTIVITIES = 1.25;

const farFromParting = (liquid: Phase): boolean =>
  smallestPivot(scaledCurvature(liquid), liquid.n) > SURELY_ONE &&
  (smallestPivotOfPairs(liquid.model, liquid.T) > PAIR_SURELY_ONE || sumOfActivities(liquid) < FEW_ACTIVITIES);

/**
 * Σ f_i/f_i of the pure liquid, about: 1 in an ideal mixture. Two liquids beside each other come near 2, for each is full of one thing and nearly
 * saturated with the other.
 */
function sumOfActivities({ model, lnf, T }: Phase): number {
  let sum = 0;
  for (const [i, substance] of model.substances.entries()) sum += Math.exp(lnf[i]! - lnFugacityGuess(substance, T));
  return sum;
}
