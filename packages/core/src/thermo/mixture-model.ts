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
  /** K: a pure equation ends at its published limit; in a mixture a component is used below its triple point, as the blends' makers do. */
  readonly lowestT: number;
  readonly estimated: boolean;
  /** Nitrogen, oxygen or argon beside a substance with which nobody has published them: no equation says how much of them dissolves. */
  readonly strayGases: readonly string[];
}

export function compileMixture(substances: readonly Substance[]): MixtureModel {
  const basis = new DeltaBasis();
  const residuals = substances.map(({ eos }) => substanceTerms(eos.residual));
  const pairs = pairsOf(substances);
  const departures: DeparturePair[] = [];
  for (const { i, j, pair } of pairs) {
    const departure = departureOf(pair);
    if (departure !== undefined) departures.push({ i, j, F: pair.F ?? 1, residual: residuals.push(departureTerms(departure)) - 1 });
  }
  return {
    substances,
    R: substances.length === 1 ? substances[0]!.gasConstant : GAS_CONSTANT,
    T: substances.map(({ reducing }) => reducing.T),
    v: substances.map(({ reducing }) => 1 / reducing.rhoMolar),
    reducingPairs: pairs.map(({ i, j, pair }) => reducingPair(substances, i, j, pair)),
    departures,
    basis,
    plan: planResiduals(residuals, basis),
    minT: Math.max(...substances.map(({ minT }) => minT)),
    lowestT: Math.max(...substances.map(({ minT, tripleT }) => (substances.length === 1 || minT > tripleT ? minT : 0))),
    estimated: pairs.some(({ pair }) => isEstimated(pair)),
    strayGases: strayGasesOf(pairs),
  };
}

/** What air consists of. */
const GASES: readonly string[] = ['R-728', 'R-732', 'R-740'];

const strayGasesOf = (pairs: readonly { pair: Pair }[]): readonly string[] => [
  ...new Set(pairs.flatMap(({ pair }) => (isEstimated(pair) ? [pair.i, pair.j].filter((id) => GASES.includes(id)) : []))),
];

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

/** The latest models by their substances; who streams thousands of sets through keeps no more than these. */
const compiled = new Map<string, MixtureModel>();
const MOST_COMPILED = 100;

/** The model of a set of substances, in the order of their names, and their mole fractions in that order. */
export function modelOf(composition: Composition): Modelled {
  const known = modelled.get(composition);
  if (known !== undefined) return known;
  const { substances, moleFraction, molarMass } = molarOf(inOrder(composition));
  const found = { model: modelFor(substances), moleFraction, molarMass };
  modelled.set(composition, found);
  return found;
}

interface Modelled {
  readonly model: MixtureModel;
  readonly moleFraction: readonly number[];
  /** kg/mol */
  readonly molarMass: number;
}

/** By the composition itself (the object, which nobody changes): a designation is asked for again and again, anything else is forgotten with it. */
const modelled = new WeakMap<Composition, Modelled>();

function modelFor(substances: readonly Substance[]): MixtureModel {
  const key = substances.map(({ id }) => id).join(' ');
  const known = compiled.get(key);
  const model = known ?? compileMixture(substances);
  if (known !== undefined) compiled.delete(key); // the one that was used last stands last
  else if (compiled.size >= MOST_COMPILED) compiled.delete(compiled.keys().next().value!); // not empty, so it has a first
  compiled.set(key, model);
  return model;
}

/** However a composition was written down, it is one set of substances. */
function inOrder(composition: Composition): Composition {
  const ids = Object.keys(composition);
  if (ids.every((id, k) => k === 0 || ids[k - 1]! < id)) return composition;
  return Object.fromEntries(ids.sort().map((id) => [id, composition[id]!]));
}
