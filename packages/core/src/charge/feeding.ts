import type { Composition } from '../fluids/composition';
import { enthalpy } from '../thermo/caloric';
import { bubblePoint, dewPoint, phasesOf } from '../thermo/saturation';
import { singlePhase } from '../thermo/single-phase';
import { kelvin, within, type Kelvin } from '../units/quantity';
import data from './feeding.json';

export interface FeedTask {
  readonly composition: Composition;
  /** K, at the compressor. */
  readonly superheatK: number;
  /** kg/s that the compressor draws. */
  readonly massFlow: number;
  /** Dew temperature of the suction, and temperature of the liquid in the cylinder, K. */
  readonly suctionK?: Kelvin | undefined;
  readonly cylinderK?: Kelvin | undefined;
}

export interface FeedRate {
  /** kg/s that evaporate on the way, 10 °F of superheat kept; nothing where there is no superheat to spare. */
  readonly kgPerS: number;
  /** Share of the flow for each kelvin to spare. */
  readonly sharePerK: number;
  /** K to spare. */
  readonly spareK: number;
}

export const feedingRules = {
  keptSuperheatK: data.keptSuperheatK,
  pulseMinutes: data.pulseMinutes,
  /** kg of the target within which the valve is shut by hand: what the hose still holds comes after. */
  shutByHandKg: data.shutByHandKg,
  /** K of a cylinder that stands in the van or beside the unit. */
  cylinderK: kelvin(data.cylinderK),
  /** kg/s that a compressor draws for a watt of cooling, as a rule: some 165 kJ/kg. Common practice. */
  flowPerWatt: data.flowPerWatt,
  /** Pa by which the suction may rise before it is stopped. */
  stopSuctionRisePa: data.stopSuctionRisePa,
  /** K: a cylinder is warmed in water, never above 125 °F, never with a flame. */
  warmestCylinderK: data.warmestCylinderK,
} as const;

/**
 * How fast liquid may go into the throttled suction of a running system: so much that the superheat of what passes evaporates it, less what
 * is kept at the compressor. Energy balance; what is kept is common practice.
 */
export function feedRate({ composition, superheatK, massFlow, suctionK, cylinderK }: FeedTask): FeedRate {
  within('superheat', superheatK, -50, 150, 'K');
  within('mass flow', massFlow, 0, 1e4, 'kg/s');
  const T = suctionK ?? kelvin(data.suctionK);
  const dew = dewPoint(composition, T);
  const saturated = enthalpy(phasesOf(dew).vapour);
  const spareK = Math.max(0, superheatK - data.keptSuperheatK);
  const warm = Math.max(5, superheatK);
  const perKelvin = (enthalpy(singlePhase(composition, kelvin(T + warm), dew.p, 'vapour')) - saturated) / warm;
  const liquid = enthalpy(phasesOf(bubblePoint(composition, cylinderK ?? kelvin(data.cylinderK))).liquid);
  const sharePerK = perKelvin / (saturated - liquid);
  return { kgPerS: massFlow * sharePerK * spareK, sharePerK, spareK };
}

/**
 * Share of a charge that goes by itself into an evacuated, standing system within about half an hour, by how much warmer the system is than
 * the cylinder, K. A prototype's figures for R-410A and R-22 between them.
 */
export function goesInStanding(warmerK: number): number {
  const { warmerK: at, share } = data.standing;
  if (warmerK <= at[0]!) return share[0]!;
  const next = at.findIndex((value) => value > warmerK);
  if (next === -1) return share.at(-1)!;
  const [low, high] = [at[next - 1]!, at[next]!];
  return share[next - 1]! + ((warmerK - low) / (high - low)) * (share[next]! - share[next - 1]!);
}
