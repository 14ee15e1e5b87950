import type { Composition } from '../fluids/composition';
import { NoTwoPhaseState, OutOfRange } from '../errors';
import { closedVolume } from '../thermo/closed-volume';
import { gasShare } from '../thermo/non-condensable';
import { bubblePoint, dewPoint } from '../thermo/saturation';
import { kelvin, type CubicMetre, type Kelvin, type Kilogram, type Pascal } from '../units/quantity';
import { celsius } from '../units/temperature';
import { unless } from '../unless';

/** AHRI 700: non-condensables at most 1.5 % by volume of the vapour at 25 °C. */
export const MOST_AIR = 0.015;

/** How far gauge and thermometer may be off: Pa, K. */
export interface Accuracy {
  readonly gauge: number;
  readonly thermometer: number;
}

/** Common practice: a gauge of 1 % of 300 psi, a probe strapped to the shell under insulation. */
export const USUAL_ACCURACY: Accuracy = { gauge: 20_000, thermometer: 1 };

/** What is in the cylinder, where it is known: the air is then reckoned at 25 °C with the vapour space that is left there. */
export interface Vessel {
  readonly volume: CubicMetre;
  readonly mass: Kilogram;
}

export interface AirCheck {
  /** Volume share of the vapour at 25 °C that is air: at least, most likely, at most, 0 to 1. */
  readonly low: number;
  readonly likely: number;
  readonly high: number;
  /**
   * - `air`: more than AHRI 700 allows, whatever gauge and thermometer are off
   * - `clean`: no more than that, whatever they are off
   * - `cannot-tell`: between the two
   * - `below`: less than its own pressure: no liquid left, still cold inside, or another refrigerant
   */
  readonly finding: 'air' | 'clean' | 'cannot-tell' | 'below';
  /** Its own pressure at that temperature, Pa absolute. */
  readonly pBubble: Pascal;
}

/** AHRI 700 judges the vapour there. */
const REFERENCE = celsius(25);

/**
 * Air in a cylinder that has rested with liquid in it, as a share of its vapour at 25 °C. Where its content is not known, its vapour space
 * is taken to be the same there.
 * @param p absolute, Pa @param T of the shell at the liquid, K
 * @throws OutOfRange, LiquidParts, NoTwoPhaseState above the end of the boiling line
 */
export function airCheck(composition: Composition, p: Pascal, T: Kelvin, { gauge, thermometer }: Accuracy, vessel?: Vessel): AirCheck {
  const pascal = bubblePoint(composition, T).p;
  const at25 = reducedTo25(composition, T, vessel);
  const low = at25(p - gauge, ownAt(composition, T, thermometer, pascal));
  const high = at25(p + gauge, ownAt(composition, T, -thermometer, pascal));
  const below = p + gauge < dewPoint(composition, T).p - Math.abs(pascal - ownAt(composition, T, -thermometer, pascal));
  return { low, likely: at25(p, pascal), high, finding: below ? 'below' : findingOf(low, high), pBubble: pascal };
}

function findingOf(low: number, high: number): AirCheck['finding'] {
  if (low > MOST_AIR) return 'air';
  return high <= MOST_AIR ? 'clean' : 'cannot-tell';
}

/** The same air over the same refrigerant at 25 °C: p_air ∝ T/space, over the saturation pressure there. */
function reducedTo25(composition: Composition, T: Kelvin, vessel: Vessel | undefined) {
  const there = saturationAt(composition, REFERENCE);
  const factor = (REFERENCE / T) * (vessel === undefined ? 1 : spaceAt(composition, vessel, T) / spaceAt(composition, vessel, REFERENCE));
  return (measured: number, value: number) => {
    if (there === undefined) return gasShare(measured, value); // no liquid at 25 °C: the share here is all that can be said
    return gasShare(there + Math.max(0, measured - value) * factor, there);
  };
}

/** Nothing where it has no liquid at T, or where its equation does not reach there. */
const saturationAt = (composition: Composition, T: Kelvin): number | undefined =>
  unless(OutOfRange, () => unless(NoTwoPhaseState, () => bubblePoint(composition, T).p));

/** Share of the volume that its vapour has; a thousandth where liquid fills it. */
function spaceAt(composition: Composition, { volume, mass }: Vessel, T: Kelvin): number {
  const state = closedVolume(composition, volume, mass, T);
  if (state.state === 'vapour') return 1;
  return state.state === 'two-phase' || state.state === 'two-liquids' ? Math.max(LEAST_SPACE, 1 - state.liquidVolumeFraction) : LEAST_SPACE;
}

const LEAST_SPACE = 1e-3;

/**
 * Its own pressure at T + `by`. At an end of its line there may be no state there: then the curve is followed in its logarithm from the
 * other side.
 */
function ownAt(composition: Composition, T: Kelvin, by: number, pascal: Pascal): number {
  const other = saturationAt(composition, kelvin(T - by));
  return saturationAt(composition, kelvin(T + by)) ?? (other === undefined ? pascal : pascal ** 2 / other);
}
