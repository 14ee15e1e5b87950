import { NoTwoPhaseState } from '../errors';
import type { Composition } from '../fluids/composition';
import { vesselAtRest } from '../readings/vessel-at-rest';
import { massDensity } from '../thermo/phase';
import { singlePhase } from '../thermo/single-phase';
import { unless } from '../unless';
import { cubicMetre, type CubicMetre, type Kelvin, type Pascal } from '../units/quantity';

/** On which sides it was read: on one, a shut valve can hide the other. */
export const sidesRead = ['unknown', 'one', 'both'] as const;
export type SidesRead = (typeof sidesRead)[number];

/** What a system's standing pressure says before anything is touched. */
export type AsFound =
  /** Nothing was read yet. */
  | { readonly state: 'unread' }
  /** No pressure is left; zero has to be proved on both sides before anything is cut. */
  | { readonly state: 'flat'; readonly how: 'atmospheric' | 'vacuum' }
  | { readonly state: 'liquid'; readonly pBubble: Pascal }
  /** Below saturation: vapour alone, so much of it at most. */
  | { readonly state: 'vapour-only'; readonly mostKg: number }
  /** Above saturation: air, or another refrigerant than the plate says. */
  | { readonly state: 'air-or-other'; readonly airShare: number };

/** Common practice: what a gauge cannot tell from zero, 1 psi. */
const FLAT = 7000;
/** A level this far below the air is a vacuum. */
const BELOW_AIR = 1000;

/**
 * Judges the standing pressure of a system that has rested.
 * @param p absolute, Pa @param T of its coldest part that can hold liquid, K @param volume of the whole circuit
 * @param level Pa absolute that has to be reached: where that is a vacuum, 0 psig is not flat
 */
export function asFound(
  composition: Composition,
  p: Pascal,
  T: Kelvin,
  atmosphere: Pascal,
  volume: CubicMetre,
  level = atmosphere,
): AsFound {
  // what boils below the air stands full of liquid at 0 psig or in a vacuum: the pressure alone does not tell that from nothing
  const rest = unless(NoTwoPhaseState, () => vesselAtRest(composition, p, T)); // too warm for liquid: it is vapour, however much
  if (rest?.verdict === 'high') return { state: 'air-or-other', airShare: rest.airShare };
  if (rest !== undefined && rest.verdict !== 'low') return { state: 'liquid', pBubble: rest.pBubble };
  const flat = level < atmosphere - BELOW_AIR ? level : atmosphere + FLAT;
  if (p <= flat) return { state: 'flat', how: p < atmosphere - FLAT ? 'vacuum' : 'atmospheric' };
  return { state: 'vapour-only', mostKg: massDensity(singlePhase(composition, T, p, 'vapour')) * volume };
}

/** m³: three hoses of 3/8 in, 1.2 m long, 8 mm bore. Common practice. */
export const USUAL_HOSES = cubicMetre(1.8e-4);

/**
 * What connecting evacuated hoses takes from vapour at rest: the pressure falls as the same vapour fills more room.
 * @returns Pa, the fall of the reading; next to nothing as long as there is liquid to boil after
 */
export const fallByHoses = (p: Pascal, system: CubicMetre, hoses: CubicMetre): number => (p * hoses) / (system + hoses);
