import { massFractionsOf, type Composition } from '../fluids/composition';
import { NoConvergence, NoTwoPhaseState, OutOfRange } from '../errors';
import type { CubicMetre, Density, Kelvin, Kilogram, Pascal } from '../units/quantity';
import { lnPressureGuess, mixtureLiquidGuess, vapourDensityGuess } from './ancillary';
import { areLiquidAndVapour } from './equilibrium';
import { solveInPlace } from './linear-solve';
import { refuseBeyondEquation, refuseTooHot } from './equation-limits';
import { modelOf } from './mixture-model';
import { evaluatedPhase, massDensity, Phase } from './phase';
import { reducingTemperature } from './reducing';
import { bubblePoint, dewPoint, metastableOrRefused, phasesOf, refuseStrayGas, type Saturation } from './saturation';
import { densePartner } from './stability';
import { workspaceOf } from './workspace';

/** A phase of a vessel's content with its share of the mass. */
export interface PhaseShare {
  readonly phase: Phase;
  readonly massShare: number;
}

interface Content {
  /** Absolute, Pa. */
  readonly p: Pascal;
  readonly estimated: boolean;
  /** The phases evaluated anew, made when they are asked for. */
  readonly phases: readonly PhaseShare[];
}

/** What a closed vessel holds at a temperature. Fractions 0 to 1, densities kg/m³. */
export type ClosedVolume = Content &
  (
    | {
        readonly state: 'two-phase';
        readonly liquidVolumeFraction: number;
        readonly liquidMassFraction: number;
        readonly rhoLiquid: Density;
        readonly rhoVapour: Density;
        readonly liquid: Composition;
        readonly vapour: Composition;
      }
    /** No vapour left: the pressure follows the compressed liquid, several bar per kelvin. */
    | { readonly state: 'liquid-full'; readonly rhoLiquid: Density; readonly liquid: Composition }
    | { readonly state: 'vapour'; readonly rhoVapour: Density; readonly vapour: Composition }
  );

/**
 * State of the mass `m` in the volume `V` at `T`, its overall composition given.
 * Above the end of the boiling line there is one phase only; it is called liquid-full when denser than the reducing density.
 * @param near a state that is not far from this one, where a process is followed: the solve starts from it
 * @throws OutOfRange, NoConvergence
 */
export function closedVolume(composition: Composition, V: CubicMetre, m: Kilogram, T: Kelvin, near?: ClosedVolume): ClosedVolume {
  const rho = densityOf(m, V);
  refuseStrayGas(modelOf(composition).model);
  refuseTooHot(composition, T);
  const vessel = vesselOf(composition, T);
  const direct = near?.state === 'two-phase' && vessel.x.length > 1 ? startFrom(near) : estimatedStart(vessel, rho);
  if (direct !== undefined && solveVessel(vessel, rho, direct)) return describe(vessel, direct, rho);
  const saturation = saturationAround(composition, T);
  if (saturation === undefined) return beyondTheEnd(vessel, composition, rho);
  const { bubble, dew } = saturation;
  if (rho >= bubble.rhoLiquid * (1 - AT_THE_END) || rho <= dew.rhoVapour * (1 + AT_THE_END)) return onePhase(composition, rho, T);
  if (vessel.x.length === 1) return byLever(bubble, rho);
  const u = startBetween(bubble, dew, rho);
  if (!solveVessel(vessel, rho, u)) followFromEnds(vessel, rho, bubble, dew, u);
  return describe(vessel, u, rho);
}

/** kg/m³: less of a gas has no pressure that a number could tell. */
const LEAST_DENSITY = 1e-9;

function densityOf(m: Kilogram, V: CubicMetre): Density {
  const rho = m / V;
  if (!(rho >= LEAST_DENSITY)) throw new OutOfRange('density of the content', rho, LEAST_DENSITY, 5000, 'kg/m³');
  return rho as Density;
}

/** A share of the saturated liquid's density: a vapour is never that dense. */
const SURELY_LIQUID = 0.8;

/** A density that went through its logarithm and back is the end itself: there is no second phase left to solve for. */
const AT_THE_END = 1e-12;

function vesselOf(composition: Composition, T: Kelvin): Vessel {
  const { model, moleFraction, molarMass } = modelOf(composition);
  const { liquid, vapour } = workspaceOf(model);
  return { liquid, vapour, composition, x: moleFraction, molarMass, T };
}

/** κ_i and the logit of β of a known state, in the order of its composition. */
function startFrom({
  liquid,
  vapour,
  rhoLiquid,
  rhoVapour,
  liquidVolumeFraction,
}: Extract<ClosedVolume, { state: 'two-phase' }>): Float64Array {
  const kappa = Object.keys(liquid).map((id) => Math.log((vapour[id]! * rhoVapour) / (liquid[id]! * rhoLiquid)));
  return Float64Array.from([...kappa, Math.log((1 - liquidVolumeFraction) / liquidVolumeFraction)]);
}

/** Shares of the liquid's density between which a blend is so surely two-phase that bubble and dew point need not be asked first. */
const SURELY_LIGHTER = 0.9;
const SURELY_DENSER = 1.4;

/** Starting values by Raoult's law and corresponding states; none for a pure fluid, near the ends, or near the critical point. */
function estimatedStart({ liquid: { model }, x, molarMass, T }: Vessel, rho: number): Float64Array | undefined {
  if (x.length === 1 || T < model.minT || T > 0.93 * reducingTemperature(model, x)) return undefined;
  const pure = model.substances.map((substance) => Math.exp(lnPressureGuess(substance, T)));
  const bubble = pure.reduce((sum, p, i) => sum + x[i]! * p, 0);
  const dew = 1 / pure.reduce((sum, p, i) => sum + x[i]! / p, 0);
  const liquid = mixtureLiquidGuess(model, x, T);
  const vapour = vapourDensityGuess(model, x, bubble, T);
  const filling = rho / molarMass;
  if (filling > SURELY_LIGHTER * liquid || filling < SURELY_DENSER * vapour) return undefined;
  const beta = (liquid - filling) / (liquid - vapour);
  const p = bubble + ((beta * vapour) / filling) * (dew - bubble);
  return Float64Array.from([...pure.map((own) => Math.log((own / p) * (vapour / liquid))), Math.log(beta / (1 - beta))]);
}

function saturationAround(composition: Composition, T: Kelvin): { bubble: Saturation; dew: Saturation } | undefined {
  try {
    return { bubble: bubblePoint(composition, T), dew: dewPoint(composition, T) };
  } catch (error) {
    if (error instanceof NoTwoPhaseState) return undefined;
    throw error;
  }
}

/**
 * Between the end of the boiling line and that of the dew line a gas that is compressed gives a liquid and takes it back: retrograde. A phase
 * that would part there is solved from the liquid that it would part into.
 */
function beyondTheEnd(vessel: Vessel, composition: Composition, rho: Density): ClosedVolume {
  const one = onePhase(composition, rho, vessel.T as Kelvin);
  const [phase] = one.phases;
  const drop = vessel.x.length === 1 || phase === undefined ? undefined : densePartner(phase.phase);
  if (drop === undefined || phase === undefined) return one;
  const lnK = Float64Array.from(drop.rho, (own, i) => Math.log(phase.phase.rho[i]! / own));
  for (const beta of [0.95, 0.8, 0.5]) {
    const u = Float64Array.from([...lnK, Math.log(beta / (1 - beta))]);
    if (solveVessel(vessel, rho, u)) return describe(vessel, u, rho);
  }
  const dew = dewWhereItIs(composition, vessel.T as Kelvin);
  if (dew !== undefined) {
    const u = Float64Array.from([...dew.molar.liquid.map((_, i) => lnKOf(dew, i)), Math.log(0.999 / 0.001)]);
    if (followDensity(vessel, dew.rhoVapour * 1.001, rho, u)) return describe(vessel, u, rho);
  }
  throw new NoConvergence(`At ${vessel.T} K and ${rho} kg/m³ this mixture parts, and its two phases were not found.`);
}

function dewWhereItIs(composition: Composition, T: Kelvin): Saturation | undefined {
  try {
    return dewPoint(composition, T);
  } catch (error) {
    if (error instanceof NoTwoPhaseState) return undefined;
    throw error;
  }
}

function onePhase(composition: Composition, rho: Density, T: Kelvin): ClosedVolume {
  const { model, moleFraction, molarMass } = modelOf(composition);
  const phase = new Phase(model).set(moleFraction, rho / molarMass);
  phase.evaluate(T);
  refuseBeyondEquation(model, phase.p);
  if (rho > SURELY_LIQUID * molarMass * mixtureLiquidGuess(model, moleFraction, T)) metastableOrRefused(composition, phase);
  const reducing = 1 / model.v.reduce((sum, v, i) => sum + moleFraction[i]! * v, 0);
  const common = { p: phase.p as Pascal, estimated: model.estimated, phases: [{ phase, massShare: 1 }] };
  return phase.rhoTotal > reducing
    ? { state: 'liquid-full', rhoLiquid: rho, liquid: composition, ...common }
    : { state: 'vapour', rhoVapour: rho, vapour: composition, ...common };
}

/** φ = (m/V − ρ″)/(ρ′ − ρ″) */
function byLever(saturation: Saturation, rho: Density): ClosedVolume {
  const { p, rhoLiquid, rhoVapour, liquid, vapour, estimated } = saturation;
  const liquidVolumeFraction = (rho - rhoVapour) / (rhoLiquid - rhoVapour);
  const liquidMassFraction = (liquidVolumeFraction * rhoLiquid) / rho;
  return {
    state: 'two-phase',
    p,
    liquidVolumeFraction,
    liquidMassFraction,
    rhoLiquid,
    rhoVapour,
    liquid,
    vapour,
    estimated,
    get phases() {
      const both = phasesOf(saturation);
      return [
        { phase: both.liquid, massShare: liquidMassFraction },
        { phase: both.vapour, massShare: 1 - liquidMassFraction },
      ];
    },
  };
}

const MOST_STEPS = 60;
/** Newton squares what is left. */
const CONVERGED = 3e-7;
const LONGEST_STEP = 0.5;
const SHORTEST_STEP = 1e-6;

interface Vessel {
  readonly composition: Composition;
  readonly liquid: Phase;
  readonly vapour: Phase;
  /** Overall mole fractions. */
  readonly x: readonly number[];
  readonly molarMass: number;
  readonly T: number;
}

/**
 * Unknown are κ_i = ln(ρ″_i/ρ′_i) and the logit of the vapour's volume share β. The densities then follow from the exact mass
 * balance, ρ′_i = c_i / (1 − β + β K_i); equations are ln f_i equal and p equal.
 * Newton's method from `u`, changed in place. False where it does not arrive at two phases.
 */
function solveVessel(vessel: Vessel, rho: number, u: Float64Array): boolean {
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

/** Fills or empties the vessel step by step from a full and from an almost empty one; each state is the start of the next. */
function followFromEnds(vessel: Vessel, rho: number, bubble: Saturation, dew: Saturation, u: Float64Array): void {
  for (const [from, end] of [
    [dew.rhoVapour * 1.001, dew],
    [bubble.rhoLiquid * 0.999, bubble],
  ] as const) {
    const beta = (bubble.rhoLiquid - from) / (bubble.rhoLiquid - dew.rhoVapour);
    for (let i = 0; i < u.length - 1; i++) u[i] = lnKOf(end, i);
    u[u.length - 1] = Math.log(beta / (1 - beta));
    if (followDensity(vessel, from, rho, u)) return;
  }
  throw new NoConvergence(`The two phases in a closed vessel at ${vessel.T} K and ${rho} kg/m³ were not found.`);
}

function followDensity(vessel: Vessel, from: number, to: number, u: Float64Array): boolean {
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

function startBetween(bubble: Saturation, dew: Saturation, rho: number): Float64Array {
  const n = bubble.molar.liquid.length;
  const beta = (bubble.rhoLiquid - rho) / (bubble.rhoLiquid - dew.rhoVapour);
  const towardsDew = (beta * dew.rhoVapour) / rho;
  const u = new Float64Array(n + 1);
  for (let i = 0; i < n; i++) u[i] = (1 - towardsDew) * lnKOf(bubble, i) + towardsDew * lnKOf(dew, i);
  u[n] = Math.log(beta / (1 - beta));
  return u;
}

const lnKOf = ({ molar }: Saturation, i: number) => Math.log(molar.vapour[i]! / molar.liquid[i]!);

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

function describe({ liquid, vapour, T, composition }: Vessel, u: Float64Array, rho: Density): ClosedVolume {
  metastableOrRefused(composition, liquid);
  const beta = 1 / (1 + Math.exp(-u.at(-1)!));
  const { model } = liquid;
  const rhoLiquid = massDensity(liquid);
  const liquidMassFraction = ((1 - beta) * rhoLiquid) / rho;
  const densities = [Array.from(liquid.rho), Array.from(vapour.rho)] as const;
  return {
    state: 'two-phase',
    p: vapour.p as Pascal,
    liquidVolumeFraction: 1 - beta,
    liquidMassFraction,
    rhoLiquid,
    rhoVapour: massDensity(vapour),
    liquid: massFractionsOf(model.substances, liquid.rho),
    vapour: massFractionsOf(model.substances, vapour.rho),
    estimated: model.estimated,
    get phases() {
      return densities.map((own, k) => ({
        phase: evaluatedPhase(model, own, T),
        massShare: k === 0 ? liquidMassFraction : 1 - liquidMassFraction,
      }));
    },
  };
}
