import type { Composition } from '../fluids/composition';
import { estimateMargin } from '../fluids/estimate-margin';
import { CoreError, OutOfRange } from '../errors';
import { findRoot } from '../thermo/find-root';
import { liquidFull, pressureRise } from '../thermo/liquid-full';
import { modelOf } from '../thermo/mixture-model';
import { airIn, pressureWithGas } from '../thermo/non-condensable';
import { density, kelvin, type CubicMetre, type Density, type Kelvin, type Kilogram, type Pascal } from '../units/quantity';
import { celsius } from '../units/temperature';
import { unless } from '../unless';
import { Remembered } from '../fluids/remembered';
import { UNCHECKED_AIR } from './unchecked-air';

/** A closed cylinder, and how much air is in its vapour at 25 °C: found by a check, or not looked for. */
export interface HotCylinder {
  readonly composition: Composition;
  readonly volume: CubicMetre;
  readonly mass: Kilogram;
  readonly airShare?: number | undefined;
}

/** Pressure, Pa absolute, at T: refrigerant and air together, raised by what an unpublished pair leaves open. @throws OutOfRange, NoConvergence */
export const hotPressure = ({ composition, volume, mass, airShare = UNCHECKED_AIR }: HotCylinder, T: Kelvin): Pascal =>
  (pressureWithAir({ composition, volume, mass, airShare }, T) * estimateMargin(composition).pressureFactor) as Pascal;

// limit, class and warning ask for the same few states of a cylinder at its stop, booking after booking
const pressures = new Remembered<Pascal>();
const fullStates = new Remembered<Full | undefined>();

/** Pressure, Pa absolute, of a closed cylinder at T with that share of air, as the equations have it. @throws OutOfRange, NoConvergence */
export function pressureWithAir({ composition, volume, mass, airShare }: HotCylinder & { airShare: number }, T: Kelvin): Pascal {
  return pressures.of(composition, `${volume} ${mass} ${airShare} ${T}`, () =>
    pressureWithGas(composition, volume, mass, T, airIn(composition, volume, mass, airShare)),
  );
}

/** Colder than any place where a cylinder stands. */
const ANY_COLD = celsius(-40);

/** Where the last bubble goes, K, and what each further kelvin adds, Pa/K. */
export interface Full {
  readonly T: Kelvin;
  readonly slope: number;
}

/**
 * Where a closed cylinder becomes full of liquid; nothing where it never does: so little is in it that all of it turns to vapour first.
 * Of more than its coldest liquid it is full in any cold: from −40 °C, or the lowest temperature of its equation, on.
 * @throws NoConvergence
 */
export function fullAt({ composition, volume, mass }: Pick<HotCylinder, 'composition' | 'volume' | 'mass'>): Full | undefined {
  const rho = density(mass / volume / estimateMargin(composition).densityFactor);
  return fullStates.of(composition, String(rho), () => fullFrom(composition, rho));
}

function fullFrom(composition: Composition, rho: Density): Full | undefined {
  try {
    return liquidFull(composition, rho);
  } catch (error) {
    if (!(error instanceof OutOfRange)) throw error;
    if (error.value <= error.max) return undefined;
    const T = kelvin(Math.max(ANY_COLD, modelOf(composition).model.lowestT));
    return { T, slope: pressureRise(composition, density(error.max), T) }; // of its densest liquid: no equation goes beyond
  }
}

const [COLDEST, HOTTEST] = [kelvin(240), kelvin(420)];
const TOLERANCE = 0.05;

/**
 * The temperature, K, at which a relief valve opens, or what else is known of it: `open` in any cold, `shut` up to `until`, or nothing, where
 * the equations end before the valve would open.
 */
export type Relief =
  | { readonly opens: 'at'; readonly T: Kelvin }
  | { readonly opens: 'always' }
  | { readonly opens: 'not-until'; readonly T: Kelvin }
  | { readonly opens: 'unknown' };

/** Where a relief valve of that set pressure, Pa absolute, opens; air is counted. */
export function reliefOpensAt(cylinder: HotCylinder, set: Pascal): Relief {
  const over = (T: number) => hotPressure(cylinder, kelvin(T)) / set - 1;
  return (
    unless(CoreError, (): Relief => {
      if (over(COLDEST) > 0) return { opens: 'always' };
      if (over(HOTTEST) < 0) return { opens: 'not-until', T: HOTTEST };
      return { opens: 'at', T: kelvin(findRoot(over, COLDEST, HOTTEST, TOLERANCE)) };
    }) ?? { opens: 'unknown' }
  );
}
