import { isPositiveDefinite, solveInPlace, systemsBySize } from './linear-solve';
import type { Phase } from './phase';

/**
 * A phase of known composition (the parent) and the first trace of the other (the incipient phase) at rest beside it.
 * Unknown are ln ρ_i of the incipient phase, ln ρ of the parent, and ln T where the pressure (or, in place of T, ρ) is given; equations are
 * ln f_i equal, p equal, and p = p_given. Newton's method with the analytic matrix; no inner search for a density.
 */
export interface Equilibrium {
  readonly parent: Phase;
  readonly incipient: Phase;
  /** Mole fractions of the parent. */
  readonly x: readonly number[];
  readonly parentIs: 'liquid' | 'vapour';
}

/** What is fixed besides the parent's composition: the temperature, the pressure, or the density of the parent as it stands in `u`. */
export type Given = { readonly kind: 'T' } | { readonly kind: 'p'; readonly p: number } | { readonly kind: 'density' };

/** Steps in the logarithms: a vapour bears long ones, a liquid is stiff. */
const LONGEST_VAPOUR_STEP = 0.7;
const LONGEST_LIQUID_STEP = 0.08;
const LONGEST_TEMPERATURE_STEP = 0.05;
/** Newton squares what is left: after a step of this size an error below 1e-10 is in the stiffest case, and below 1e-12 as a rule. */
const CONVERGED = 6e-7;
const STALLED = 3e-6;
const MOST_STEPS = 60;

/** ln ρ_i of the incipient phase, ln ρ of the parent, ln T. */
export type Unknowns = Float64Array;

const systems = systemsBySize();

/**
 * Solves from the start `u` (changed in place); false where it does not converge or the answer is no pair of phases.
 */
export function solveEquilibrium(equilibrium: Equilibrium, u: Unknowns, given: Given): boolean {
  const { parent, incipient, parentIs } = equilibrium;
  const n = parent.n;
  const size = n + (given.kind === 'p' ? 2 : 1);
  const unknown = (k: number) => (given.kind === 'density' && k === n ? n + 1 : k);
  const { matrix, right: step } = systems(size);
  let last = Number.POSITIVE_INFINITY;
  for (let iteration = 0; iteration < MOST_STEPS; iteration++) {
    evaluateAt(equilibrium, u);
    assemble(equilibrium, given, matrix, step);
    if (!solveInPlace(matrix, step)) return false;
    const scale = allowedShare(equilibrium, step, given);
    const longest = largest(step);
    if (!Number.isFinite(longest)) return false;
    for (let k = 0; k < size; k++) u[unknown(k)]! -= scale * step[k]!;
    if (longest < CONVERGED || (longest < STALLED && longest >= last)) {
      followTo(equilibrium, u);
      return parentIs === 'liquid' ? areLiquidAndVapour(parent, incipient) : areLiquidAndVapour(incipient, parent);
    }
    last = longest;
  }
  return false;
}

/** Size of the largest entry; not a number where one of them is none. */
function largest(step: Float64Array): number {
  let most = 0;
  for (let k = 0; k < step.length; k++) most = Math.max(most, Math.abs(step[k]!));
  return most;
}

function evaluateAt({ parent, incipient, x }: Equilibrium, u: Unknowns): void {
  const n = parent.n;
  const T = Math.exp(u[n + 1]!);
  for (let i = 0; i < n; i++) incipient.rho[i] = Math.exp(u[i]!);
  incipient.evaluate(T);
  parent.set(x, Math.exp(u[n]!)).evaluate(T);
}

/** The last step is so small that its square does not count: densities, temperature and pressure follow it along their slopes. */
function followTo({ parent, incipient, x }: Equilibrium, u: Unknowns): void {
  const n = parent.n;
  const T = Math.exp(u[n + 1]!);
  const total = Math.exp(u[n]!);
  for (let i = 0; i < n; i++) {
    incipient.target[i] = Math.exp(u[i]!);
    parent.target[i] = x[i]! * total;
  }
  incipient.followTo(T);
  parent.followTo(T);
}

function assemble({ parent, incipient, parentIs }: Equilibrium, given: Given, matrix: Float64Array, r: Float64Array): void {
  const n = parent.n;
  const size = r.length;
  const T = parent.T;
  const pressureScale = parent.model.R * T * (parentIs === 'vapour' ? parent.rhoTotal : incipient.rhoTotal);
  for (let i = 0; i < n; i++) {
    let alongParent = 0;
    for (let l = 0; l < n; l++) {
      matrix[i * size + l] = incipient.dlnfdrho[i * n + l]! * incipient.rho[l]!;
      alongParent += parent.dlnfdrho[i * n + l]! * parent.rho[l]!;
    }
    matrix[i * size + n] = -alongParent;
    r[i] = incipient.lnf[i]! - parent.lnf[i]!;
  }
  for (let l = 0; l < n; l++) matrix[n * size + l] = (incipient.dpdrho(l) * incipient.rho[l]!) / pressureScale;
  matrix[n * size + n] = (-parent.dpdrhoTotal() * parent.rhoTotal) / pressureScale;
  r[n] = (incipient.p - parent.p) / pressureScale;
  if (given.kind !== 'T') temperatureColumn(parent, incipient, given.kind === 'p' ? n + 1 : n, pressureScale, matrix, size);
  if (given.kind === 'p') addPressureRow({ parent, incipient, parentIs }, given.p, pressureScale, matrix, r);
}

/** Derivatives of the first n + 1 equations by ln T. */
function temperatureColumn(
  parent: Phase,
  incipient: Phase,
  column: number,
  pressureScale: number,
  matrix: Float64Array,
  size: number,
): void {
  const { n, T } = parent;
  for (let i = 0; i < n; i++) matrix[i * size + column] = T * (incipient.dlnfdT[i]! - parent.dlnfdT[i]!);
  matrix[n * size + column] = (T * (incipient.dpdT - parent.dpdT)) / pressureScale;
}

function addPressureRow(
  { parent, incipient, parentIs }: Pick<Equilibrium, 'parent' | 'incipient' | 'parentIs'>,
  p: number,
  pressureScale: number,
  matrix: Float64Array,
  r: Float64Array,
): void {
  const n = parent.n;
  const size = r.length;
  const T = parent.T;
  // the pressure is taken on the vapour's side: the liquid is so stiff that the last digit of its density moves it
  const row = (n + 1) * size;
  matrix.fill(0, row, row + size);
  if (parentIs === 'vapour') matrix[row + n] = (parent.dpdrhoTotal() * parent.rhoTotal) / pressureScale;
  else for (let l = 0; l < n; l++) matrix[row + l] = (incipient.dpdrho(l) * incipient.rho[l]!) / pressureScale;
  const vapour = parentIs === 'vapour' ? parent : incipient;
  matrix[row + n + 1] = (T * vapour.dpdT) / pressureScale;
  r[n + 1] = (vapour.p - p) / pressureScale;
}

/** The share of a step that keeps every logarithm within its longest step. */
function allowedShare({ parent, parentIs }: Equilibrium, step: Float64Array, given: Given): number {
  const n = parent.n;
  const [incipientLimit, parentLimit] =
    parentIs === 'liquid' ? [LONGEST_VAPOUR_STEP, LONGEST_LIQUID_STEP] : [LONGEST_LIQUID_STEP, LONGEST_VAPOUR_STEP];
  let share = 1;
  for (let k = 0; k < step.length; k++) {
    const limit = k < n ? incipientLimit : k === n && given.kind !== 'density' ? parentLimit : LONGEST_TEMPERATURE_STEP;
    share = Math.min(share, limit / Math.abs(step[k]!));
  }
  return share;
}

/**
 * Phases more alike than this are one phase found twice: on the limit of its stability a single phase meets every condition of equilibrium
 * with itself. True liquid and vapour come as close only within some mK of the end of their line.
 */
const LEAST_DENSITY_RATIO = 1.01;

/** Liquid and vapour indeed: not one phase twice, not exchanged, and neither would fall apart. */
export const areLiquidAndVapour = (liquid: Phase, vapour: Phase): boolean =>
  liquid.rhoTotal > vapour.rhoTotal * LEAST_DENSITY_RATIO && vapour.p > 0 && isStable(liquid) && isStable(vapour);

/**
 * Whether the phase withstands every small change of its densities: the matrix ∂ ln f_i/∂ρ_j is positive definite. The pressure then rises
 * with the density, and the phase does not part into two.
 */
export const isStable = ({ dlnfdrho, n }: Phase): boolean => isPositiveDefinite(dlnfdrho, n);
