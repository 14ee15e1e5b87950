import { phrase } from '../phrase';
import { massFractionsOf, type Composition } from '../fluids/composition';
import { NoConvergence, NoTwoPhaseState, OutOfRange } from '../errors';
import type { CubicMetre, Density, Kelvin, Kilogram, Pascal } from '../units/quantity';
import { unless } from '../unless';
import { mixtureLiquidGuess } from './ancillary';
import { refuseBeyondEquation, refuseTooHot } from './equation-limits';
import { modelOf } from './mixture-model';
import { evaluatedPhase, massDensity, Phase } from './phase';
import { dewPoint, endsOfBoiling, metastableOrRefused, phasesOf, refuseStrayGas, type Saturation } from './saturation';
import { densePartner } from './stability';
import { followDensity, solveVessel, vesselOf, type Vessel } from './vessel-solver';
import { estimatedStart, lnKOf, startBetween, startFrom } from './vessel-start';

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
  const saturation = endsOfBoiling(composition, T);
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

/**
 * Between the end of the boiling line and that of the dew line a gas that is compressed gives a liquid and takes it back: retrograde. A phase
 * that would part there is solved from the liquid that it would part into.
 */
function beyondTheEnd(vessel: Vessel, composition: Composition, rho: Density): ClosedVolume {
  const one = onePhase(composition, rho, vessel.T as Kelvin);
  const [phase] = one.phases;
  const drop = vessel.x.length === 1 || phase === undefined ? undefined : densePartner(phase.phase);
  if (drop === undefined || phase === undefined) return one;
  const lnK = Float64Array.from(drop.rho, (value, i) => Math.log(phase.phase.rho[i]! / value));
  for (const beta of [0.95, 0.8, 0.5]) {
    const u = Float64Array.from([...lnK, Math.log(beta / (1 - beta))]);
    if (solveVessel(vessel, rho, u)) return describe(vessel, u, rho);
  }
  const dew = unless(NoTwoPhaseState, () => dewPoint(composition, vessel.T as Kelvin));
  if (dew !== undefined) {
    const u = Float64Array.from([...dew.molar.liquid.map((_, i) => lnKOf(dew, i)), Math.log(0.999 / 0.001)]);
    if (followDensity(vessel, dew.rhoVapour * 1.001, rho, u)) return describe(vessel, u, rho);
  }
  throw new NoConvergence(
    phrase`At ${{ temperatureK: vessel.T }} and ${String(rho)} kg/m³ this mixture parts, and its two phases were not found.`,
  );
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
  throw new NoConvergence(
    phrase`The two phases in a closed vessel at ${{ temperatureK: vessel.T }} and ${String(rho)} kg/m³ were not found.`,
  );
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
      return densities.map((density, k) => ({
        phase: evaluatedPhase(model, density, T),
        massShare: k === 0 ? liquidMassFraction : 1 - liquidMassFraction,
      }));
    },
  };
}
