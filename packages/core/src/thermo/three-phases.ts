import { systemsBySize, solveInPlace } from './linear-solve';
import { lnPressureGuess, mixtureLiquidGuess } from './ancillary';
import { isStable } from './equilibrium';
import type { MixtureModel } from './mixture-model';
import { evaluatedPhase, massDensity, Phase } from './phase';
import { splitOf, wouldPart } from './stability';
import { solveVessel, type Vessel } from './vessel-solver';
import { estimatedStart } from './vessel-start';

/** A phase of a vessel with the share of its volume: none and less where there is none of it. */
export interface Layer {
  readonly phase: Phase;
  readonly volumeShare: number;
}

/** Two liquids that can rest under one vapour, the denser one first: it lies below. */
export interface ThreePhases {
  readonly liquids: readonly [Layer, Layer];
  readonly vapour: Layer;
}

export const areAllThere = ({ liquids, vapour }: ThreePhases): boolean => [...liquids, vapour].every(({ volumeShare }) => volumeShare > 0);

const MOST_STEPS = 100;
const CONVERGED = 1e-9;
const LONGEST_STEP = 0.2;
/** In the logarithm of a density: liquids that are no further apart are one liquid found twice. */
const APART = 1e-2;

const systems = systemsBySize();

/**
 * Two liquids beside a vapour in a closed vessel whose content, of the overall density `rho` (kg/m³), would part as one liquid.
 *
 * Unknown are ln ρ_i of each phase and the volume shares of the two liquids; equations are ln f_i equal in all three, p equal in all three, and the
 * mass balance Σ_k φ_k ρ_i^k = c_i. Newton's method with the analytic matrix, started from the liquids into which the tangent plane says that it
 * parts (`stability.ts`; Michelsen, Fluid Phase Equilib. 9 (1982) 21).
 * @returns the phases as they have to be beside each other, though not all of them may be there; nothing where none are found
 */
export const threePhases = (vessel: Vessel, rho: number): ThreePhases | undefined => atOnce(vessel, rho) ?? fromColder(vessel, rho);

function atOnce(vessel: Vessel, rho: number): ThreePhases | undefined {
  const c = contentOf(vessel, rho);
  let found: ThreePhases | undefined;
  for (const start of [...besideOneLiquid(vessel, rho), ...outOfTheWhole(vessel)]) {
    const phases = solved(start, c);
    if (phases !== undefined && areAllThere(phases)) return phases;
    found ??= phases;
  }
  return found;
}

const contentOf = ({ x, molarMass }: Vessel, rho: number) => x.map((value) => (value * rho) / molarMass);

/** K below, from where the phases are followed, and in how many steps. */
const COLDER = [3, 8, 15];
const WARMING_STEPS = 12;

/** Where two liquids are about to become one, a start finds only one of them: they are followed from where they lie further apart. */
function fromColder(vessel: Vessel, rho: number): ThreePhases | undefined {
  for (const by of COLDER) {
    const colder = atOnce({ ...vessel, T: vessel.T - by }, rho);
    if (colder === undefined) continue;
    const [first, second] = colder.liquids;
    const phases: Three = [first.phase, second.phase, colder.vapour.phase];
    for (let k = 1; k <= WARMING_STEPS; k++) {
      for (const phase of phases) phase.evaluate(vessel.T - by * (1 - k / WARMING_STEPS));
      const warmer = solved(phases, contentOf(vessel, rho));
      if (warmer === undefined) break;
      if (k === WARMING_STEPS) return warmer;
    }
  }
  return undefined;
}

type Three = readonly [liquid: Phase, other: Phase, vapour: Phase];

function solved(phases: Three, c: readonly number[]): ThreePhases | undefined {
  const [first, second, vapour] = phases;
  const shares = startingShares(phases, c);
  if (!solve(phases, shares, c) || !areThree(phases)) return undefined;
  const [one, other] = shares as unknown as readonly [number, number]; // of two liquids
  const [a, b] = [
    { phase: first, volumeShare: one },
    { phase: second, volumeShare: other },
  ];
  const liquids = massDensity(first) > massDensity(second) ? ([a, b] as const) : ([b, a] as const);
  return { liquids, vapour: { phase: vapour, volumeShare: 1 - one - other } };
}

/** The two phases with one liquid that would part, and what it would part into: they have one set of fugacities. */
function besideOneLiquid(vessel: Vessel, rho: number): readonly Three[] {
  const u = estimatedStart(vessel, rho);
  if (u === undefined || !solveVessel(vessel, rho, u)) return [];
  const [liquid, vapour] = [copyOf(vessel.liquid), copyOf(vessel.vapour)];
  return splitOf(liquid).map((other) => [copyOf(liquid), other, copyOf(vapour)]);
}

/** Pairs of liquids, each rich in something else, into which a liquid of the vessel's content would part. */
function outOfTheWhole({ liquid: { model }, x, T }: Vessel): readonly Three[] {
  const liquids = splitOf(boilingLiquid(model, x, T));
  return liquids.flatMap((one, k) => liquids.slice(k + 1).map((other) => [copyOf(one), copyOf(other), idealVapour(one, other)] as const));
}

const DENSITY_STEPS = 8;

/** A liquid of that composition, in one piece though it would part, at about the pressure at which it boils by Raoult's law. */
function boilingLiquid(model: MixtureModel, x: readonly number[], T: number): Phase {
  const p = model.substances.reduce((sum, substance, i) => sum + x[i]! * Math.exp(lnPressureGuess(substance, T)), 0);
  const phase = new Phase(model).set(x, mixtureLiquidGuess(model, x, T));
  for (let step = 0; step < DENSITY_STEPS; step++) {
    phase.evaluate(T);
    const slope = phase.dpdrhoTotal();
    if (!(slope > 0)) break;
    phase.set(x, phase.rhoTotal * Math.exp(Math.max(-LONGEST_STEP, Math.min(LONGEST_STEP, (p - phase.p) / (slope * phase.rhoTotal)))));
  }
  phase.evaluate(T);
  return phase;
}

/** Phases are moved as they are solved for: each start has its own. */
const copyOf = ({ model, rho, T }: Phase) => evaluatedPhase(model, Array.from(rho), T);

/** The vapour over two liquids of nearly equal fugacities, as an ideal gas: ρ_i = f_i/(R T). */
function idealVapour(first: Phase, second: Phase): Phase {
  const vapour = new Phase(first.model);
  const RT = first.model.R * first.T;
  for (let i = 0; i < first.n; i++) vapour.rho[i] = Math.exp((first.lnf[i]! + second.lnf[i]!) / 2) / RT;
  vapour.evaluate(first.T);
  return vapour;
}

/** Volume shares of the liquids by least squares of the mass balance; any will do to begin with. */
function startingShares([first, second, vapour]: Three, c: readonly number[]): Float64Array {
  const { matrix, right } = systems(2);
  matrix.fill(0);
  right.fill(0);
  c.forEach((value, i) => {
    const [a, b] = [(first.rho[i]! - vapour.rho[i]!) / value, (second.rho[i]! - vapour.rho[i]!) / value];
    const left = 1 - vapour.rho[i]! / value;
    matrix[0]! += a * a;
    matrix[1]! += a * b;
    matrix[2]! += a * b;
    matrix[3]! += b * b;
    right[0]! += a * left;
    right[1]! += b * left;
  });
  return solveInPlace(matrix, right) ? Float64Array.from(right) : Float64Array.of(0.3, 0.3);
}

/** Newton's method; the phases are moved, the liquids' shares changed in place. */
function solve(phases: Three, shares: Float64Array, c: readonly number[]): boolean {
  const n = c.length;
  const { T } = phases[0];
  const { matrix, right } = systems(3 * n + 2);
  for (let iteration = 0; iteration < MOST_STEPS; iteration++) {
    assemble(phases, shares, c, matrix, right);
    if (!solveInPlace(matrix, right)) return false;
    let longest = 0;
    for (let k = 0; k < 3 * n; k++) longest = Math.max(longest, Math.abs(right[k]!));
    if (!right.every(Number.isFinite)) return false;
    const scale = Math.min(1, LONGEST_STEP / longest);
    phases.forEach((phase, k) => {
      for (let i = 0; i < n; i++) phase.rho[i]! *= Math.exp(-scale * right[k * n + i]!);
      phase.evaluate(T);
    });
    for (let k = 0; k < 2; k++) shares[k]! -= scale * right[3 * n + k]!;
    if (longest < CONVERGED) return true;
  }
  return false;
}

/** Rows: fugacities of each liquid and the vapour, pressures of each liquid and the vapour, mass balance. */
function assemble(phases: Three, shares: Float64Array, c: readonly number[], matrix: Float64Array, right: Float64Array): void {
  const n = c.length;
  const size = 3 * n + 2;
  const vapour = phases[2];
  const scale = vapour.model.R * vapour.T * vapour.rhoTotal;
  matrix.fill(0);
  for (let k = 0; k < 2; k++) {
    const liquid = phases[k]!;
    for (let i = 0; i < n; i++) {
      const row = k * n + i;
      for (let l = 0; l < n; l++) {
        matrix[row * size + k * n + l] = liquid.dlnfdrho[i * n + l]! * liquid.rho[l]!;
        matrix[row * size + 2 * n + l] = -vapour.dlnfdrho[i * n + l]! * vapour.rho[l]!;
      }
      right[row] = liquid.lnf[i]! - vapour.lnf[i]!;
    }
    const row = 2 * n + k;
    for (let l = 0; l < n; l++) {
      matrix[row * size + k * n + l] = (liquid.dpdrho(l) * liquid.rho[l]!) / scale;
      matrix[row * size + 2 * n + l] = (-vapour.dpdrho(l) * vapour.rho[l]!) / scale;
    }
    right[row] = (liquid.p - vapour.p) / scale;
  }
  const [one, other] = shares as unknown as readonly [number, number]; // of two liquids
  const all = [one, other, 1 - one - other];
  for (let i = 0; i < n; i++) {
    const row = 2 * n + 2 + i;
    let sum = 0;
    phases.forEach((phase, k) => {
      const part = (all[k]! * phase.rho[i]!) / c[i]!;
      matrix[row * size + k * n + i] = part;
      sum += part;
    });
    for (let k = 0; k < 2; k++) matrix[row * size + 3 * n + k] = (phases[k]!.rho[i]! - vapour.rho[i]!) / c[i]!;
    right[row] = sum - 1;
  }
}

/** Two liquids that are not one, a vapour that is none, and none of them would fall apart. */
function areThree([first, second, vapour]: Three): boolean {
  const apart = first.rho.some((rho, i) => Math.abs(Math.log(rho / second.rho[i]!)) > APART);
  const light = vapour.rhoTotal < Math.min(first.rhoTotal, second.rhoTotal) && vapour.p > 0;
  return apart && light && [first, second, vapour].every(isStable) && !wouldPart(first) && !wouldPart(second);
}
