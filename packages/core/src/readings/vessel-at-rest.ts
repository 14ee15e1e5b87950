import type { Composition } from '../fluids/composition';
import { gasShare } from '../thermo/non-condensable';
import { bubblePoint, dewPoint } from '../thermo/saturation';
import { MOST_AIR } from './air-check';
import { kelvin, type Kelvin, type Pascal } from '../units/quantity';

/** What the pressure of a vessel at rest says about its content, its composition taken as known. */
export interface VesselAtRest {
  /**
   * - `saturated`: liquid and vapour of this composition, within what gauge and thermometer can tell
   * - `high`: more than this refrigerant's own pressure: air, or another refrigerant in it
   * - `little-liquid`: between dew and bubble point: a blend with its liquid nearly gone
   * - `low`: below the dew point: no liquid left, or another refrigerant
   */
  readonly verdict: 'saturated' | 'high' | 'little-liquid' | 'low';
  /** Pa, at the temperature of the liquid. */
  readonly pBubble: Pascal;
  readonly pDew: Pascal;
  /** What gauge and thermometer leave open, Pa. */
  readonly tolerance: number;
  /** Volume share of the vapour that would be air if the whole excess were, 0 to 1. */
  readonly airShare: number;
  /** Whether that is more than AHRI 700 allows. */
  readonly aboveAhri700: boolean;
}

/** Common practice: a probe on the wall is good to 1 K, a gauge to 1 % of its reading and never better than 7 kPa (1 psi). */
const THERMOMETER = 1;
const GAUGE_SHARE = 0.01;
const GAUGE_LEAST = 7000;

/** What gauge and thermometer leave open at a pressure that rises by `slope` Pa/K. */
export const readingTolerance = (p: number, slope: number): number => Math.max(GAUGE_LEAST, GAUGE_SHARE * p) + THERMOMETER * slope;

/**
 * Judges the pressure of a vessel that has stood at one temperature.
 * @param p absolute, Pa @param T of the liquid, K, not of the air around
 * @throws OutOfRange, NoTwoPhaseState above the end of the boiling line, LiquidParts
 */
export function vesselAtRest(composition: Composition, p: Pascal, T: Kelvin): VesselAtRest {
  const pBubble = bubblePoint(composition, T).p;
  const pDew = dewPoint(composition, T).p;
  // towards the cold there is always a state; towards the hot the line may end
  const tolerance = readingTolerance(p, pBubble - bubblePoint(composition, kelvin(T - 1)).p);
  const airShare = gasShare(p, pBubble);
  return { verdict: verdictOf(p, pBubble, pDew, tolerance), pBubble, pDew, tolerance, airShare, aboveAhri700: airShare > MOST_AIR };
}

function verdictOf(p: number, pBubble: number, pDew: number, tolerance: number): VesselAtRest['verdict'] {
  if (p > pBubble + tolerance) return 'high';
  if (p >= pBubble - tolerance) return 'saturated';
  return p >= pDew - tolerance ? 'little-liquid' : 'low';
}
