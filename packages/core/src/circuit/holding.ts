import type { Composition } from '../fluids/composition';
import { estimateMargin } from '../fluids/estimate-margin';
import { NoTwoPhaseState } from '../errors';
import { bubblePoint } from '../thermo/saturation';
import { kelvin, type Kelvin } from '../units/quantity';
import { unless } from '../unless';
import type { PartVolume } from './part-volume';
import { USUAL_ROOM, type PartRoom } from './part-room';
import data from './part-room.json';

/** What a part may hold as liquid, kg, over the range of its volume. */
export interface Holding {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
  /**
   * What limits it: the share of liquid today, the share that is kept when the shut part stands in the heat, or, where nobody has measured
   * it, the charge with which the unit was shipped: that much fits.
   */
  readonly by: 'today' | 'heat' | 'shipped';
  /** Measured or from a plate; what is only estimated forbids nothing. */
  readonly certain: boolean;
  /** The share, 0 to 1, and the temperature, K, of that limit. */
  readonly share: number;
  readonly T: number;
}

/**
 * The mass a part may hold that will be shut off at both ends, where no valve relieves it: the smaller of a share of liquid at the warmer
 * of today and 32 °C, and the kept share at the hottest temperature it will see, 55 °C at least. A colder day never allows more.
 * Nothing where there is no liquid at one of them. Source: `part-room.json`.
 * @param T around the part today, K
 * @param shipped kg with which the unit left its maker, where it did: common practice, a lower bound
 * @throws OutOfRange, LiquidParts, NoConvergence
 */
export function holding(volume: PartVolume, composition: Composition, T: Kelvin, room: PartRoom = USUAL_ROOM, shipped = 0): Holding {
  const today = { by: 'today', share: room.share, T: kelvin(Math.max(T, data.leastToday)) } as const;
  const heat = { by: 'heat', share: room.keptShare, T: kelvin(Math.max(room.hottest, data.leastHottest)) } as const;
  const [least] = [today, heat]
    .map((value) => ({ ...value, density: value.share * liquidAt(composition, value.T) }))
    .sort((one, other) => one.density - other.density);
  const { density, ...limit } = least!; // of two there is a smaller one
  const [low, likely, high] = [density * volume.low, density * volume.likely, density * volume.high];
  const certain = volume.known !== 'estimated';
  // no shipped charge makes room where there is no liquid, nor against a volume that was measured
  if (certain || density === 0 || shipped <= low) return { low, likely, high, ...limit, certain };
  return { low: shipped, likely: Math.max(shipped, likely), high: Math.max(shipped, high), ...limit, by: 'shipped', certain };
}

/** Nothing can be kept as liquid when it gets too warm for it. */
const liquidAt = (composition: Composition, T: Kelvin): number =>
  unless(NoTwoPhaseState, () => bubblePoint(composition, T).rhoLiquid * estimateMargin(composition).densityFactor) ?? 0;
