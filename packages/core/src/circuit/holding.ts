import type { Composition } from '../fluids/composition';
import { bubblePoint } from '../thermo/saturation';
import type { Kelvin } from '../units/quantity';
import type { PartVolume } from './part-volume';
import { USUAL_SHARE } from './usual-share';

/** What a part may hold as liquid, kg, over the range of its volume. */
export interface Holding {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

/**
 * The mass a part may hold with liquid at T: share · V · ρ′(T) at the bubble point.
 * @throws OutOfRange, NoTwoPhaseState where there is no liquid at T
 */
export function holding(volume: PartVolume, composition: Composition, T: Kelvin, share = USUAL_SHARE): Holding {
  const { rhoLiquid } = bubblePoint(composition, T);
  const of = (V: number) => share * V * rhoLiquid;
  return { low: of(volume.low), likely: of(volume.likely), high: of(volume.high) };
}
