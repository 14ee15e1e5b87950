import { molarOf, type Composition } from '../fluids/composition';
import { departureOf, isEstimated, pairOf, type Pair } from '../fluids/pair';
import type { Substance } from '../fluids/substance';
import { DeltaBasis } from './delta-basis';
import { planResiduals, type ResidualPlan } from './residual-plan';
import { departureTerms, substanceTerms } from './residual-terms';

/** CODATA 2018, J/(mol K), exact. Every mixture uses it; a pure fluid uses the constant of its own equation. */
const GAS_CONSTANT = 8.31446261815324;

/** Reducing function of a pair: 2 β γ (y_i y_j)^½-like mean, and β². The homogeneous form stands in `reducing.ts`. */
export interface ReducingPair {
  readonly i: number;
  readonly j: number;
  readonly cT: number;
  readonly bT: number;
  readonly cV: number;
  readonly bV: number;
}

export interface DeparturePair {
  readonly i: number;
  readonly j: number;
  readonly F: number;
  /** Index of the departure's terms in the plan. */
  readonly residual: number;
}

/**
 * A set of substances as one Helmholtz-energy model, whatever its composition.
 * Source: GERG-2008, Kunz & Wagner, J. Chem. Eng. Data 57 (2012) 3032; the pairs' own sources stand in the data.
 */
export interface MixtureModel {
  readonly substances: readonly Substance[];
  /** J/(mol K) */
  readonly R: number;
  /** Reducing temperatures, K, and volumes, m³/mol, of the substances. */
  readonly T: readonly number[];
  readonly v: readonly number[];
  readonly reducingPairs: readonly ReducingPair[];
  readonly departures: readonly DeparturePair[];
  readonly basis: DeltaBasis;
  /** One residual function per substance, then one per departure. */
  readonly plan: ResidualPlan;
  /** Highest lower temperature limit of the substances' equations, K. */
  readonly minT: number;
  readonly estimated: boolean;
}

export function compileMixture(substances: readonly Substance[]): MixtureModel {
  const basis = new DeltaBasis();
  const residuals = substances.map(({ eos }) => substanceTerms(eos.residual, basis));
  const pairs = pairsOf(substances);
  const departures: DeparturePair[] = [];
  for (const { i, j, pair } of pairs) {
    const departure = departureOf(pair);
    if (departure !== undefined) departures.push({ i, j, F: pair.F ?? 1, residual: residuals.push(departureTerms(departure, basis)) - 1 });
  }
  return {
    substances,
    R: substances.length === 1 ? substances[0]!.gasConstant : GAS_CONSTANT,
    T: substances.map(({ reducing }) => reducing.T),
    v: substances.map(({ reducing }) => 1 / reducing.rhoMolar),
    reducingPairs: pairs.map(({ i, j, pair }) => reducingPair(substances, i, j, pair)),
    departures,
    basis,
    plan: planResiduals(residuals),
    minT: Math.max(...substances.map(({ minT }) => minT)),
    estimated: pairs.some(({ pair }) => isEstimated(pair)),
  };
}

function pairsOf(substances: readonly Substance[]): { i: number; j: number; pair: Pair }[] {
  return substances.flatMap((first, i) => substances.slice(i + 1).map((second, k) => ({ i, j: i + 1 + k, pair: pairOf(first, second) })));
}

function reducingPair(substances: readonly Substance[], i: number, j: number, pair: Pair): ReducingPair {
  const { reducing: first } = substances[i]!;
  const { reducing: second } = substances[j]!;
  const meanT = Math.sqrt(first.T * second.T);
  const meanV = (Math.cbrt(1 / first.rhoMolar) + Math.cbrt(1 / second.rhoMolar)) ** 3 / 8;
  return {
    i,
    j,
    cT: 2 * pair.betaT * pair.gammaT * meanT,
    bT: pair.betaT ** 2,
    cV: 2 * pair.betaV * pair.gammaV * meanV,
    bV: pair.betaV ** 2,
  };
}

const compiled = new Map<string, MixtureModel>();

/** The model of a set of substances and their mole fractions in its order. Models are compiled once. */
export function modelOf(composition: Composition): { model: MixtureModel; moleFraction: readonly number[]; molarMass: number } {
  const { substances, moleFraction, molarMass } = molarOf(composition);
  const key = substances.map(({ id }) => id).join(' ');
  let model = compiled.get(key);
  if (model === undefined) {
    model = compileMixture(substances);
    compiled.set(key, model);
  }
  return { model, moleFraction, molarMass };
}
