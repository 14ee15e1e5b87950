import type { Composition } from '../fluids/composition';
import { STANDARD_ATMOSPHERE } from '../units/pressure';
import { kelvin, pascal, type Pascal } from '../units/quantity';
import { saturatedLiquid } from './saturated-liquid';
import data from './pressure-rating.json';

/** Whether a cylinder of that service pressure may hold that refrigerant. */
export interface PressureRating {
  readonly suits: boolean;
  /** Saturation pressure at 131 °F, Pa absolute; none where no liquid is left there, which no such cylinder suits. */
  readonly pAt131F: Pascal | undefined;
  /** The most that is allowed there, Pa absolute. */
  readonly allowed: Pascal;
  readonly source: string;
}

/** @param serviceGauge stamped service pressure, Pa above the atmosphere */
export function pressureRating(composition: Composition, serviceGauge: number): PressureRating {
  const allowed = pascal(STANDARD_ATMOSPHERE + data.factor * serviceGauge);
  const pAt131F = saturatedLiquid(composition, kelvin(data.T))?.p;
  return { suits: pAt131F !== undefined && pAt131F <= allowed, pAt131F, allowed, source: data.source };
}
