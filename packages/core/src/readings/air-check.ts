import type { Composition } from '../fluids/composition';
import { NoTwoPhaseState } from '../errors';
import { gasShare } from '../thermo/non-condensable';
import { bubblePoint, dewPoint } from '../thermo/saturation';
import { kelvin, pascal, type Kelvin, type Pascal } from '../units/quantity';

/** AHRI 700: non-condensables at most 1.5 % by volume of the vapour at 25 °C. */
export const MOST_AIR = 0.015;

/** How far gauge and thermometer may be off: Pa, K. */
export interface Accuracy {
  readonly gauge: number;
  readonly thermometer: number;
}

/** Common practice: a gauge of 1 % of 300 psi, a probe strapped to the shell under insulation. */
export const USUAL_ACCURACY: Accuracy = { gauge: 20_000, thermometer: 1 };

export interface AirCheck {
  /** Volume share of the vapour that is air: at least, most likely, at most, 0 to 1. */
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

/**
 * Air in a cylinder that has rested with liquid in it.
 * @param p absolute, Pa @param T of the shell at the liquid, K
 * @throws OutOfRange, LiquidParts, NoTwoPhaseState above the end of the boiling line
 */
export function airCheck(composition: Composition, p: Pascal, T: Kelvin, { gauge, thermometer }: Accuracy): AirCheck {
  const own = bubblePoint(composition, T).p;
  const low = gasShare(pascal(p - gauge), ownAt(composition, T + thermometer, own));
  const high = gasShare(pascal(p + gauge), ownAt(composition, T - thermometer, own));
  const below = p + gauge < dewPoint(composition, kelvin(T - thermometer)).p;
  return { low, likely: gasShare(p, own), high, finding: below ? 'below' : findingOf(low, high), pBubble: own };
}

function findingOf(low: number, high: number): AirCheck['finding'] {
  if (low > MOST_AIR) return 'air';
  return high <= MOST_AIR ? 'clean' : 'cannot-tell';
}

/** Near the end of the line there may be no state one thermometer's error warmer: then the pressure at T is the best that is known. */
function ownAt(composition: Composition, T: number, own: Pascal): Pascal {
  try {
    return bubblePoint(composition, kelvin(T)).p;
  } catch (error) {
    if (error instanceof NoTwoPhaseState) return own;
    throw error;
  }
}
