import type { Composition } from '../fluids/composition';
import { LiquidParts, NoConvergence, OutOfRange } from '../errors';
import { phrase } from '../phrase';
import type { CubicMetre, Density, Kelvin, Kilogram } from '../units/quantity';
import { refuseTooHot } from './equation-limits';
import { modelOf } from './mixture-model';
import { fromDew, fromDrop, partedLiquid, usualDew } from './parted-vessel';
import { endsOfBoiling, refuseStrayGas, type Saturation } from './saturation';
import { densePartner } from './stability';
import { followDensity, solveVessel, vesselOf, type Vessel } from './vessel-solver';
import { estimatedStart, lnKOf, startBetween, startFrom } from './vessel-start';
import { byLever, onePhase, twoPhases, type ClosedVolume } from './vessel-states';

/**
 * State of the mass `m` in the volume `V` at `T`, its overall composition given.
 * Above the end of the boiling line there is one phase only; it is called liquid-full when denser than the reducing density.
 * @param near a state that is not far from this one, where a process is followed: the solve starts from it
 * @throws OutOfRange, NoConvergence, LiquidParts where the liquid has parted and no vapour is left beside it
 */
export function closedVolume(composition: Composition, V: CubicMetre, m: Kilogram, T: Kelvin, near?: ClosedVolume): ClosedVolume {
  const rho = densityOf(m, V);
  refuseStrayGas(modelOf(composition).model);
  refuseTooHot(composition, T);
  const vessel = vesselOf(composition, T);
  try {
    return asOneLiquid(vessel, rho, near);
  } catch (error) {
    // a boiling point that is not found is most often that of a liquid which parts
    if (!(error instanceof LiquidParts || error instanceof NoConvergence)) throw error;
    const parted = partedLiquid(vessel, rho);
    if (parted === undefined) throw error;
    return parted;
  }
}

function asOneLiquid(vessel: Vessel, rho: Density, near: ClosedVolume | undefined): ClosedVolume {
  const { composition } = vessel;
  const T = vessel.T as Kelvin;
  const direct = near?.state === 'two-phase' && vessel.x.length > 1 ? startFrom(near) : estimatedStart(vessel, rho);
  if (direct !== undefined && solveVessel(vessel, rho, direct)) return twoPhases(vessel, direct, rho);
  const saturation = endsOfBoiling(composition, T);
  if (saturation === undefined) return beyondTheEnd(vessel, composition, rho);
  const { bubble, dew } = saturation;
  if (rho >= bubble.rhoLiquid * (1 - AT_THE_END) || rho <= dew.rhoVapour * (1 + AT_THE_END)) return onePhase(composition, rho, T);
  if (vessel.x.length === 1) return byLever(bubble, rho);
  const u = startBetween(bubble, dew, rho);
  if (solveVessel(vessel, rho, u) || followFromEnds(vessel, rho, bubble, dew, u)) return twoPhases(vessel, u, rho);
  if (rho >= bubble.rhoLiquid * (1 - LAST_TRACE) || rho <= dew.rhoVapour * (1 + LAST_TRACE)) return onePhase(composition, rho, T);
  throw new NoConvergence(phrase`The two phases in a closed vessel at ${{ temperatureK: T }} and ${String(rho)} kg/m³ were not found.`);
}

/** kg/m³: less of a gas has no pressure that a number could tell. */
const LEAST_DENSITY = 1e-9;

function densityOf(m: Kilogram, V: CubicMetre): Density {
  const rho = m / V;
  if (!(rho >= LEAST_DENSITY)) throw new OutOfRange('density of the content', rho, LEAST_DENSITY, 5000, 'kg/m³');
  return rho as Density;
}

/** A density that went through its logarithm and back is the end itself: there is no second phase left to solve for. */
const AT_THE_END = 1e-12;

/** So little of a second phase may be left out where it is not found: the pressure is off by no more than this share of it. */
const LAST_TRACE = 1e-6;

/**
 * Between the end of the boiling line and that of the dew line a gas that is compressed gives a liquid and takes it back: retrograde. A phase
 * that would part there is solved from the liquid that it would part into.
 */
function beyondTheEnd(vessel: Vessel, composition: Composition, rho: Density): ClosedVolume {
  const one = onePhase(composition, rho, vessel.T as Kelvin);
  const [phase] = one.phases;
  const drop = vessel.x.length === 1 || phase === undefined ? undefined : densePartner(phase.phase);
  if (drop === undefined || phase === undefined) return one;
  const condensed = fromDrop(vessel, phase.phase, drop, rho);
  if (condensed !== undefined) return condensed;
  const followed = fromDew(vessel, rho, usualDew(vessel));
  if (followed !== undefined) return followed;
  throw new NoConvergence(
    phrase`At ${{ temperatureK: vessel.T }} and ${String(rho)} kg/m³ this mixture parts, and its two phases were not found.`,
  );
}

/** Fills or empties the vessel step by step from a full and from an almost empty one; each state is the start of the next. */
function followFromEnds(vessel: Vessel, rho: number, bubble: Saturation, dew: Saturation, u: Float64Array): boolean {
  for (const [from, end] of [
    [dew.rhoVapour * 1.001, dew],
    [bubble.rhoLiquid * 0.999, bubble],
  ] as const) {
    const beta = (bubble.rhoLiquid - from) / (bubble.rhoLiquid - dew.rhoVapour);
    for (let i = 0; i < u.length - 1; i++) u[i] = lnKOf(end, i);
    u[u.length - 1] = Math.log(beta / (1 - beta));
    if (followDensity(vessel, from, rho, u)) return true;
  }
  return false;
}
