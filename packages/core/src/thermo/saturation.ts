import { massFractionsOf, type Composition } from '../fluids/composition';
import { designationOf } from '../fluids/refrigerant';
import { BadComposition, LiquidParts, NoConvergence, NoTwoPhaseState, OutOfRange } from '../errors';
import { kelvin, type Density, type Kelvin, type Pascal } from '../units/quantity';
import { unless } from '../unless';
import { lnPressureGuess, mixtureLiquidGuess, vapourDensityGuess } from './ancillary';
import { isStable, solveEquilibrium, type Equilibrium, type Unknowns } from './equilibrium';
import { modelOf, type MixtureModel } from './mixture-model';
import { evaluatedPhase, massDensity, type Phase } from './phase';
import { reducingTemperature } from './reducing';
import { wouldPart } from './stability';
import { workspaceOf } from './workspace';

/** Liquid and vapour at rest beside each other, one of them of the given composition, the other a first trace. */
export interface Saturation {
  readonly T: Kelvin;
  /** Absolute, Pa. */
  readonly p: Pascal;
  /** kg/m³ */
  readonly rhoLiquid: Density;
  readonly rhoVapour: Density;
  readonly liquid: Composition;
  readonly vapour: Composition;
  /** Component densities, mol/m³, in the order of the model. */
  readonly molar: { readonly liquid: readonly number[]; readonly vapour: readonly number[] };
  readonly model: MixtureModel;
  /** Whether the mixture model rests on a pair that nobody has published. */
  readonly estimated: boolean;
  /** The liquid would part into two by the model, though as this blend it is used as one. */
  readonly metastable: boolean;
}

/**
 * Bubble point: liquid of this composition with its first bubble.
 * @param T temperature, K, from the equation's lower limit to the end of the boiling line
 * @throws OutOfRange below the limit, NoTwoPhaseState above the end (never clamped, never extrapolated), LiquidParts where two liquids form
 */
export const bubblePoint = (composition: Composition, T: Kelvin): Saturation => saturationAt(composition, T, 'liquid');

/** Dew point: vapour of this composition with its first drop. Range and errors as for the bubble point. */
export const dewPoint = (composition: Composition, T: Kelvin): Saturation => saturationAt(composition, T, 'vapour');

/** Where boiling begins and where it ends at T; nothing where there is one phase only. @throws OutOfRange, LiquidParts, NoConvergence */
export const endsOfBoiling = (composition: Composition, T: Kelvin): { readonly bubble: Saturation; readonly dew: Saturation } | undefined =>
  unless(NoTwoPhaseState, () => ({ bubble: bubblePoint(composition, T), dew: dewPoint(composition, T) }));

/** The dew point to which a gas that would part (component densities mol/m³) and the liquid that forms out of it are near; nothing where none is found. */
export function dewPointNear(composition: Composition, T: Kelvin, gas: Phase, drop: Phase): Saturation | undefined {
  const equilibrium = equilibriumOf(composition, 'vapour');
  const u = Float64Array.from([...drop.rho.map(Math.log), Math.log(gas.rhoTotal), Math.log(T)]);
  return solveEquilibrium(equilibrium, u, { kind: 'T' }) ? describe(equilibrium, composition) : undefined;
}

function saturationAt(composition: Composition, T: Kelvin, parentIs: 'liquid' | 'vapour'): Saturation {
  const equilibrium = equilibriumOf(composition, parentIs);
  const { model } = equilibrium.parent;
  const minT = model.lowestT;
  if (T < minT) throw new OutOfRange('temperature', T, minT, reducingTemperature(model, equilibrium.x), 'K');
  const u = startAt(equilibrium, T);
  if (!solveEquilibrium(equilibrium, u, { kind: 'T' })) {
    const end = knownEnds.get(lineOf(equilibrium));
    if (end !== undefined && T > end) throw new NoTwoPhaseState(T, end);
    followFromBelow(equilibrium, T);
  }
  return describe(equilibrium, composition);
}

/**
 * Whether a liquid is only metastable. Of a blend with a designation that is told and answered: it is sold and used as one liquid, and where its
 * model parts in the cold the model is beyond its data. Any other liquid that parts is refused.
 * @throws LiquidParts
 */
export function metastableOrRefused(composition: Composition, liquid: Phase): boolean {
  if (!wouldPart(liquid)) return false;
  if (designationOf(composition) === undefined) throw new LiquidParts();
  return true;
}

/** The phases to solve in, with the known composition set. */
export function equilibriumOf(composition: Composition, parentIs: 'liquid' | 'vapour'): Equilibrium {
  const { model, moleFraction } = modelOf(composition);
  refuseStrayGas(model);
  const { parent, incipient } = workspaceOf(model);
  return { parent, incipient, x: moleFraction, parentIs };
}

/** @throws BadComposition where a gas of the air is in it whose solubility nobody has published */
export function refuseStrayGas({ strayGases }: MixtureModel): void {
  if (strayGases.length === 0) return;
  throw new BadComposition(
    `How much ${strayGases.join(' and ')} dissolves in this mixture is not published, so it has no boiling point of its own. ` +
      'Ask for a closed volume: there the gas stays in the vapor.',
  );
}

/** Raoult's law with the pure substances' vapour pressures, and a liquid density by corresponding states. */
export function startAt({ parent, x, parentIs }: Equilibrium, T: number): Unknowns {
  const { model, n } = parent;
  // Raoult's law both ways: Σ x_i p_i over a liquid, 1/Σ (y_i/p_i) under a vapour
  const other: number[] = [];
  let sum = 0;
  for (let i = 0; i < n; i++) {
    const pure = Math.exp(lnPressureGuess(model.substances[i]!, T));
    other.push(parentIs === 'liquid' ? x[i]! * pure : x[i]! / pure);
    sum += other[i]!;
  }
  for (let i = 0; i < n; i++) other[i]! /= sum;
  const p = parentIs === 'liquid' ? sum : 1 / sum;
  const vapour = vapourDensityGuess(model, x, p, T);
  const liquid = mixtureLiquidGuess(model, parentIs === 'liquid' ? x : other, T);
  const [own, others] = parentIs === 'liquid' ? [liquid, vapour] : [vapour, liquid];
  const u = new Float64Array(n + 2);
  for (let i = 0; i < n; i++) u[i] = Math.log(other[i]! * others);
  u[n] = Math.log(own);
  u[n + 1] = Math.log(T);
  return u;
}

const FIRST_STEP = 0.02;
const SHORTEST_STEP = 1e-7;
/** Of the reducing temperature: no line of a mixture of one liquid ends below it. */
const LOWEST_END = 0.85;
/** Shares of the reducing temperature at which Raoult's law is tried for a first point of the line. */
const FIRST_POINTS = [0.65, 0.6, 0.7, 0.55, 0.75, 0.5, 0.8];
/** A temperature passes through its logarithm and back. */
const ROUNDING = 1e-14;

/**
 * Follows the line from a temperature where Raoult's law is a good start, extrapolating the logarithms in 1/T and halving the
 * step where the solve fails. Where even the shortest step fails, the line has ended.
 */
function followFromBelow(equilibrium: Equilibrium, target: number): void {
  const { parent, x } = equilibrium;
  const reducing = reducingTemperature(parent.model, x);
  const path = firstPoint(equilibrium, reducing);
  let step = FIRST_STEP * reducing * Math.sign(target - temperatureOf(path.at(-1)!));
  for (;;) {
    const here = temperatureOf(path.at(-1)!);
    if (Math.abs(here - target) < ROUNDING * target) return;
    const next = Math.abs(target - here) <= Math.abs(step) ? target : here + step;
    const guess = extrapolated(path, next);
    if (solveEquilibrium(equilibrium, guess, { kind: 'T' })) path.push(guess);
    else step /= 2;
    if (Math.abs(step) < SHORTEST_STEP * reducing) {
      if (here < LOWEST_END * reducing) throw new LiquidParts(target < here ? here : undefined);
      if (target > here) rememberEnd(lineOf(equilibrium), here);
      throw new NoTwoPhaseState(target, here);
    }
  }
}

/** Highest temperatures found so far, K: a search for a state that does not exist is a hundred times as long as one that does. */
const knownEnds = new Map<string, number>();
const MOST_KNOWN_ENDS = 2000;

const lineOf = ({ parent, x, parentIs }: Equilibrium) =>
  `${parentIs} ${parent.model.substances.map(({ id }, i) => `${id} ${x[i]!}`).join(' ')}`;

function rememberEnd(line: string, T: number): void {
  if (knownEnds.size >= MOST_KNOWN_ENDS) knownEnds.clear();
  knownEnds.set(line, T);
}

const temperatureOf = (u: Unknowns) => Math.exp(u.at(-1)!);

function firstPoint(equilibrium: Equilibrium, reducing: number): Unknowns[] {
  const lowest = equilibrium.parent.model.lowestT;
  for (const share of FIRST_POINTS) {
    const T = Math.max(lowest, share * reducing);
    const u = startAt(equilibrium, T);
    if (solveEquilibrium(equilibrium, u, { kind: 'T' })) return [u];
  }
  if (parts(equilibrium, lowest, reducing)) throw new LiquidParts();
  throw new NoConvergence('No boiling point of this mixture was found from which its line could be followed.');
}

/** Whether a liquid of the known composition, at about the density of a saturated one, would part somewhere on the line. */
function parts({ parent, x }: Equilibrium, lowest: number, reducing: number): boolean {
  return FIRST_POINTS.some((share) => {
    const T = Math.max(lowest, share * reducing);
    parent.set(x, mixtureLiquidGuess(parent.model, x, T)).evaluate(T);
    return parent.dpdrhoTotal() > 0 && !isStable(parent);
  });
}

function extrapolated(path: readonly Unknowns[], T: number): Unknowns {
  const [before, last] = [path.at(-2), path.at(-1)!];
  const guess = last.slice();
  if (before !== undefined) {
    const share = (1 / T - 1 / temperatureOf(last)) / (1 / temperatureOf(last) - 1 / temperatureOf(before));
    for (let k = 0; k < guess.length - 1; k++) guess[k]! += share * (last[k]! - before[k]!);
  }
  guess[guess.length - 1] = Math.log(T);
  return guess;
}

/** The solved equilibrium, per mass and copied out of its workspace. @throws LiquidParts */
export function describe({ parent, incipient, parentIs }: Equilibrium, composition: Composition): Saturation {
  const { substances, estimated } = parent.model;
  const [liquid, vapour] = parentIs === 'liquid' ? [parent, incipient] : [incipient, parent];
  const other = parent.n === 1 ? composition : massFractionsOf(substances, incipient.rho);
  return {
    T: kelvin(parent.T),
    p: vapour.p as Pascal, // from the vapour: the liquid is so stiff that the last digit of its density moves its pressure
    rhoLiquid: massDensity(liquid),
    rhoVapour: massDensity(vapour),
    liquid: parentIs === 'liquid' ? composition : other,
    vapour: parentIs === 'vapour' ? composition : other,
    molar: { liquid: copied(liquid.rho), vapour: copied(vapour.rho) },
    model: parent.model,
    estimated,
    metastable: metastableOrRefused(composition, liquid),
  };
}

/** As `Array.from`, which asks typed arrays for their iterator and takes four times as long. */
function copied(rho: Float64Array): readonly number[] {
  const copy: number[] = [];
  for (let i = 0; i < rho.length; i++) copy.push(rho[i]!);
  return copy;
}

/** Both phases evaluated, for whoever needs more than pressure and density. */
export const phasesOf = ({ model, molar, T }: Saturation): { readonly liquid: Phase; readonly vapour: Phase } => ({
  liquid: evaluatedPhase(model, molar.liquid, T),
  vapour: evaluatedPhase(model, molar.vapour, T),
});
