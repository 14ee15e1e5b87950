import { LiquidParts, NoTwoPhaseState } from '../errors';
import type { Density, Kelvin } from '../units/quantity';
import { unless } from '../unless';
import { isStable } from './equilibrium';
import { Phase } from './phase';
import { dewPoint, dewPointNear, type Saturation } from './saturation';
import { densePartner } from './stability';
import { areAllThere, threePhases, type ThreePhases } from './three-phases';
import { followDensity, solveVessel, type Vessel } from './vessel-solver';
import { onePhase, twoLiquids, twoPhases, type ClosedVolume } from './vessel-states';
import { lnKOf } from './vessel-start';

/** What there is of a content whose liquid would part: one phase that does not, two liquids under their vapour, or one of them. */
export function partedLiquid(vessel: Vessel, rho: Density): ClosedVolume | undefined {
  const { liquid, composition, x, molarMass } = vessel;
  const T = vessel.T as Kelvin;
  const alone = new Phase(liquid.model).set(x, rho / molarMass);
  alone.evaluate(T);
  const drop = densePartner(alone);
  if (isStable(alone) && alone.p > 0 && drop === undefined) return onePhase(composition, rho, T);
  const parted = threePhases(vessel, rho);
  if (parted !== undefined && areAllThere(parted)) return twoLiquids(vessel, parted, rho);
  const tries = [
    () => (parted === undefined ? undefined : besideOneOf(parted, vessel, rho)),
    () => (drop === undefined ? undefined : fromDrop(vessel, alone, drop, rho)),
    () => (drop === undefined ? undefined : fromDew(vessel, rho, dewPointNear(composition, T, alone, drop))),
    () => fromDew(vessel, rho, usualDew(vessel)),
  ];
  for (const ask of tries) {
    const found = unless(LiquidParts, ask);
    if (found !== undefined) return found;
  }
  return undefined;
}

/** One of the two liquids beside the vapour: that of which there is more first. */
function besideOneOf({ liquids, vapour }: ThreePhases, vessel: Vessel, rho: Density): ClosedVolume | undefined {
  const byShare = [...liquids].sort((one, other) => other.volumeShare - one.volumeShare);
  for (const { phase, volumeShare } of byShare) {
    const beta = Math.min(0.999, Math.max(0.5, 1 - volumeShare));
    const lnK = Array.from(phase.rho, (value, i) => Math.log(vapour.phase.rho[i]! / value));
    const u = Float64Array.from([...lnK, Math.log(beta / (1 - beta))]);
    if (solveVessel(vessel, rho, u)) return twoPhases(vessel, u, rho);
  }
  return undefined;
}

/** Two phases, solved from a gas that would part and the liquid that would form out of it. */
export function fromDrop(vessel: Vessel, gas: Phase, drop: Phase, rho: Density): ClosedVolume | undefined {
  const lnK = Float64Array.from(drop.rho, (value, i) => Math.log(gas.rho[i]! / value));
  for (const beta of [0.95, 0.8, 0.5]) {
    const u = Float64Array.from([...lnK, Math.log(beta / (1 - beta))]);
    if (solveVessel(vessel, rho, u)) return twoPhases(vessel, u, rho);
  }
  return undefined;
}

/** Two phases, followed from the first drop to the density that is asked for. */
export function fromDew(vessel: Vessel, rho: Density, dew: Saturation | undefined): ClosedVolume | undefined {
  if (dew === undefined) return undefined;
  const u = Float64Array.from([...dew.molar.liquid.map((_, i) => lnKOf(dew, i)), Math.log(0.999 / 0.001)]);
  return followDensity(vessel, dew.rhoVapour * 1.001, rho, u) ? twoPhases(vessel, u, rho) : undefined;
}

/** The dew point from the usual start; nothing above the end of its line. */
export const usualDew = ({ composition, T }: Vessel) => unless(NoTwoPhaseState, () => dewPoint(composition, T as Kelvin));
