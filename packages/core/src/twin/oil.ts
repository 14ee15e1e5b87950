import type { FluidTable } from './fluid-table';
import { GAS_CONSTANT } from '../proof/nitrogen';
import data from './parameters.json';
import type { VolumeState } from './volume-state';

/** Oil of a compressor, in one of the volumes. */
export interface Oil {
  /** mol */
  readonly moles: number;
  /** s in which it takes up or gives off all but a third of what is to come. */
  readonly seconds: number;
}

/** kg of oil that a compressor of a system of this charge usually has. */
export const usualOilKg = (chargeKg: number): number => data.oil.kgPerKg * chargeKg;

/** @param chargeKg of the system that the compressor belongs to @param oilKg where it is known @param factor by what readings tell */
export const oilOf = (chargeKg: number, oilKg = usualOilKg(chargeKg), factor = 1): Oil => ({
  moles: (factor * oilKg) / data.oil.molarMass,
  seconds: data.oil.seconds,
});

/** kg of refrigerant that oil holds in the end at this pressure over the liquid's own: Raoult's law, on moles. */
export function dissolvedAtRest(table: FluidTable, { moles }: Oil, p: number, T: number): number {
  // a crankcase is heated, and warmer than what stands around it: no more than this ever dissolves
  const share = Math.min(data.oil.mostMoleShare, Math.max(0, p / table.pBubble.at(T)));
  return ((moles * share) / (1 - share)) * (GAS_CONSTANT / table.R);
}

/** kg/s that the oil takes up over the next dt seconds; below 0 what it gives off. @param dissolved kg in it now */
export function intoOil(table: FluidTable, oil: Oil, { p, pAir, T }: VolumeState, dissolved: number, m: number, dt: number): number {
  const wanted = dissolvedAtRest(table, oil, p - pAir, T) - dissolved;
  // never much of what is there at once: its pressure falls with it, and with that what the oil wants
  return Math.min((wanted * -Math.expm1(-dt / oil.seconds)) / dt, (MOST_AT_ONCE * m) / dt);
}
const MOST_AT_ONCE = 0.1;
