import type { Composition } from '../fluids/composition';
import type { Kelvin } from '../units/quantity';
import { areLiquidAndVapour } from './equilibrium';
import { solveInPlace } from './linear-solve';
import { modelOf } from './mixture-model';
import type { Phase } from './phase';
import { workspaceOf } from './workspace';

const MOST_STEPS = 60;
/** Newton squares what is left. */
const CONVERGED = 3e-7;
const LONGEST_STEP = 0.5;
const SHORTEST_STEP = 1e-6;

/** A closed vessel in which two phases are sought, with the phases that are worked in. */
export interface Vessel {
  readonly composition: Composition;
  readonly liquid: Phase;
  readonly vapour: Phase;
  /** Overall mole fractions. */
  readonly x: readonly number[];
  readonly molarMass: number;
  readonly T: number;
}

export function vesselOf(composition: Composition, T: Kelvin): Vessel {
  const { model, moleFraction, molarMass } = modelOf(composition);
  const { liquid, vapour } = workspaceOf(model);
  return { liquid, vapour, composition, x: moleFraction, molarMass, T };
}

/**
 * Unknown are κ_i = ln(ρ″_i/ρ′_i) and the logit of the vapour's volume share β. The densities then follow from the exact mass
 * balance, ρ′_i = c_i / (1 − β + β K_i); equations are ln f_i equal and p equal.
 * Newton's method from `u`, changed in place. False where it does not arrive at two phases.
 */
export function solveVessel(vessel: Vessel, rho: number, u: Float64Array): boolean {
  const c = vessel.x.map((x) => (x * rho) / vessel.molarMass);
  const n = c.length;
  const matrix = new Float64Array((n + 1) ** 2);
  const step = new Float64Array(n + 1);
  for (let iteration = 0; iteration < MOST_STEPS; iteration++) {
    const split = distribute(u, c, vessel);
    assemble(vessel.liquid, vessel.vapour, split, matrix, step);
    if (!solveInPlace(matrix, step)) return false;
    const longest = step.reduce((most, s) => Math.max(most, Math.abs(s)), 0);
    if (!Number.isFinite(longest)) return false;
    const share = Math.min(1, LONGEST_STEP / longest);
    for (let k = 0; k <= n; k++) u[k]! -= share * step[k]!;
    if (longest < CONVERGED) return isPairOfPhases(vessel, distribute(u, c, vessel).beta);
  }
  return false;
}

const isPairOfPhases = ({ liquid, vapour }: Vessel, beta: number) => beta > 0 && beta < 1 && areLiquidAndVapour(liquid, vapour);

/** From the density of a state that is known to another one; each state on the way is the start of the next. */
export function followDensity(vessel: Vessel, from: number, to: number, u: Float64Array): boolean {
  let here = from;
  let step = Math.log(to / from);
  while (Math.abs(step) > SHORTEST_STEP) {
    const left = Math.log(to / here);
    const next = Math.abs(left) <= Math.abs(step) ? to : here * Math.exp(step);
    const trial = u.slice();
    if (solveVessel(vessel, next, trial)) {
      u.set(trial);
      if (next === to) return true;
      here = next;
    } else step /= 2;
  }
  return false;
}

interface Split {
  readonly beta: number;
  readonly K: readonly number[];
  /** 1 − β + β K_i */
  readonly spread: readonly number[];
}

function distribute(u: Float64Array, c: readonly number[], { liquid, vapour, T }: Vessel): Split {
  const n = c.length;
  const beta = 1 / (1 + Math.exp(-u[n]!));
  const K = c.map((_, i) => Math.exp(u[i]!));
  const spread = K.map((k) => 1 - beta + beta * k);
  for (let i = 0; i < n; i++) {
    liquid.rho[i] = c[i]! / spread[i]!;
    vapour.rho[i] = K[i]! * liquid.rho[i]!;
  }
  liquid.evaluate(T);
  vapour.evaluate(T);
  return { beta, K, spread };
}

/** d ln ρ′_l/dκ_l = −β K_l/spread, d ln ρ″_l/dκ_l = 1 − that share, d ln ρ_l/dβ = −(K_l − 1)/spread for both. */
function assemble(liquid: Phase, vapour: Phase, { beta, K, spread }: Split, matrix: Float64Array, r: Float64Array): void {
  const n = liquid.n;
  const size = n + 1;
  const scale = liquid.model.R * liquid.T * vapour.rhoTotal;
  const along = K.map((k, l) => (-(k - 1) / spread[l]!) * beta * (1 - beta));
  const share = K.map((k, l) => (beta * k) / spread[l]!);
  matrix.fill(0);
  for (let l = 0; l < n; l++) {
    for (let i = 0; i < n; i++) {
      const ofVapour = vapour.dlnfdrho[i * n + l]! * vapour.rho[l]!;
      const ofLiquid = liquid.dlnfdrho[i * n + l]! * liquid.rho[l]!;
      matrix[i * size + l] = ofVapour * (1 - share[l]!) + ofLiquid * share[l]!;
      matrix[i * size + n]! += (ofVapour - ofLiquid) * along[l]!;
    }
    const vapourP = (vapour.dpdrho(l) * vapour.rho[l]!) / scale;
    const liquidP = (liquid.dpdrho(l) * liquid.rho[l]!) / scale;
    matrix[n * size + l] = vapourP * (1 - share[l]!) + liquidP * share[l]!;
    matrix[n * size + n]! += (vapourP - liquidP) * along[l]!;
    r[l] = vapour.lnf[l]! - liquid.lnf[l]!;
  }
  r[n] = (vapour.p - liquid.p) / scale;
}
