import { NoFillLimit, type MissingMark } from '../errors';
import type { Composition } from '../fluids/composition';
import { estimateMargin } from '../fluids/estimate-margin';
import { designationOf } from '../fluids/refrigerant';
import { kelvin, type CubicMetre, type Kelvin, type Kilogram, type Pascal } from '../units/quantity';
import { hotPressureAllowed, testPressureOf, type CylinderRating } from './cylinder-rating';
import { isExempt } from './exempt-gas';
import { isHighPressureGas } from './high-pressure-gas';
import { pressureWithAir } from './hot-state';
import { UNCHECKED_AIR } from './unchecked-air';
import { saturatedLiquid } from './saturated-liquid';
import data from './pressure-rating.json';

/** How full it will be, and which non-condensables were found: both raise the pressure in the heat. */
export interface Filled {
  readonly volume: CubicMetre;
  readonly mass: Kilogram;
  /** Share by volume of the vapour at 25 °C, from a check or as it is known; absent where nobody has looked. */
  readonly airShare?: number | undefined;
}

/** Whether a cylinder may hold a refrigerant by its pressure class. */
export interface PressureRating {
  readonly suits: boolean;
  /** Temperature of the rating, K: 131 °F, under a UN stamp 65 °C. */
  readonly T: Kelvin;
  /** What it is judged by, Pa absolute: with the air that is known. Absent while a mark is missing. */
  readonly p: Pascal | undefined;
  /** What a gauge may show there: where nobody has looked for air, with as much as AHRI 700 allows. */
  readonly pWithAir: Pascal | undefined;
  /** The most that is allowed there, Pa absolute. */
  readonly allowed: Pascal | undefined;
  /** The content that stands highest, by its designation. */
  readonly of: string | undefined;
  readonly missing?: MissingMark | undefined;
  readonly source: string;
}

/**
 * The worst of several contents. Only air that was measured or is known refuses a class; air that nobody looked for is in what is shown.
 * @param filled the mass at which it is judged: a cylinder at its stop leaves air the least room
 */
export function pressureRating(contents: readonly Composition[], rating: CylinderRating, filled?: Filled): PressureRating {
  let worst: PressureRating | undefined;
  for (const composition of contents) {
    const current = ratingOf(composition, rating, filled);
    if (worst === undefined || severity(current) > severity(worst)) worst = current;
  }
  if (worst === undefined) throw new Error('a pressure class is judged by at least one content'); // its callers name one
  return worst;
}

const severity = ({ missing, p, allowed }: PressureRating) =>
  missing !== undefined || p === undefined || allowed === undefined ? Number.POSITIVE_INFINITY : p / allowed;

function ratingOf(composition: Composition, rating: CylinderRating, filled: Filled | undefined): PressureRating {
  const un = rating.stamp === 'un' || (isHighPressureGas(composition) && isExempt(composition));
  const T = kelvin(un ? data.un.ratingT : data.ratingT);
  const source = un ? data.un.source : data.source;
  const of = designationOf(composition);
  try {
    const name = of ?? 'this mixture';
    const allowed = un ? testPressureOf(rating, name) : hotPressureAllowed({ ...rating, stamp: 'us' }, name);
    const { p, pWithAir } = pressuresAt(composition, T, filled);
    return { suits: p <= allowed, T, p, pWithAir, allowed, of, source };
  } catch (error) {
    if (!(error instanceof NoFillLimit)) throw error;
    return { suits: false, T, p: undefined, pWithAir: undefined, allowed: undefined, of, missing: error.missing, source };
  }
}

/** Of a high-pressure gas no pressure is known before it is known how much is in: then the fill limit keeps it, and the class is no question. */
function pressuresAt(composition: Composition, T: Kelvin, filled: Filled | undefined) {
  const { pressureFactor } = estimateMargin(composition);
  const saturation = saturatedLiquid(composition, T)?.p;
  const with_ = (airShare: number): Pascal => {
    if (filled === undefined || filled.mass === 0) return ((saturation ?? 0) * pressureFactor) as Pascal;
    const p = pressureWithAir({ composition, volume: filled.volume, mass: filled.mass, airShare }, T);
    // a cylinder that is filled later stands at saturation: less in it is no lower class
    return (Math.max(p, saturation ?? 0) * pressureFactor) as Pascal;
  };
  const known = filled?.airShare;
  return { p: with_(known ?? 0), pWithAir: with_(known ?? UNCHECKED_AIR) };
}
