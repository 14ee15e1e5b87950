import type { Composition } from '../fluids/composition';
import { estimateMargin } from '../fluids/estimate-margin';
import { CoreError, OutOfRange } from '../errors';
import { findRoot } from '../thermo/find-root';
import { liquidFull } from '../thermo/liquid-full';
import { airIn, pressureWithGas } from '../thermo/non-condensable';
import { density, kelvin, type CubicMetre, type Kelvin, type Kilogram, type Pascal } from '../units/quantity';

/** AHRI 700 allows as much in a refrigerant as it is sold, and nobody has looked: so much is counted where no check was made. */
export const UNCHECKED_AIR = 0.015;

/** A closed cylinder, and how much air is in its vapour at 25 °C: found by a check, or not looked for. */
export interface HotCylinder {
  readonly composition: Composition;
  readonly volume: CubicMetre;
  readonly mass: Kilogram;
  readonly airShare?: number | undefined;
}

/** Pressure, Pa absolute, at T: refrigerant and air together, raised by what an unpublished pair leaves open. @throws OutOfRange, NoConvergence */
export function hotPressure({ composition, volume, mass, airShare = UNCHECKED_AIR }: HotCylinder, T: Kelvin): Pascal {
  const air = airIn(composition, volume, mass, airShare);
  return (pressureWithGas(composition, volume, mass, T, air) * estimateMargin(composition).pressureFactor) as Pascal;
}

/** Where the last bubble goes, K; nothing where it never fills: so little is in it that all of it turns to vapour first. */
export function fullAt({ composition, volume, mass }: HotCylinder): Kelvin | undefined {
  try {
    return liquidFull(composition, density(mass / volume / estimateMargin(composition).densityFactor)).T;
  } catch (error) {
    if (error instanceof OutOfRange) return undefined;
    throw error;
  }
}

const [COLDEST, HOTTEST] = [kelvin(240), kelvin(420)];
const TOLERANCE = 0.05;

/**
 * The temperature, K, at which a relief valve of that set pressure opens, air counted; nothing where it stays shut up to 147 °C or where
 * it would be open in the cold already.
 * @param set Pa absolute
 */
export function reliefOpensAt(cylinder: HotCylinder, set: Pascal): Kelvin | undefined {
  const over = (T: number) => hotPressure(cylinder, kelvin(T)) / set - 1;
  try {
    return over(COLDEST) > 0 || over(HOTTEST) < 0 ? undefined : kelvin(findRoot(over, COLDEST, HOTTEST, TOLERANCE));
  } catch (error) {
    if (error instanceof CoreError) return undefined; // its equations end before
    throw error;
  }
}
