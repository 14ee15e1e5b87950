import type { Composition } from '../fluids/composition';
import { closedVolume } from '../thermo/closed-volume';
import type { CubicMetre, Kelvin, Kilogram, Pascal } from '../units/quantity';

/** How a cylinder stands at a temperature: drawn as liquid, vapour, or all liquid. Of an empty one no pressure is known. */
export type Level =
  | { readonly state: 'empty'; readonly liquidShare: 0 }
  | {
      readonly state: 'vapour' | 'two-phase' | 'liquid-full';
      /** Share of the volume filled with liquid, 0 to 1. */
      readonly liquidShare: number;
      /** Pa absolute */
      readonly p: Pascal;
    };

/** @throws OutOfRange, NoConvergence */
export function levelAt(composition: Composition, volume: CubicMetre, mass: Kilogram, T: Kelvin): Level {
  if (mass === 0) return { state: 'empty', liquidShare: 0 };
  const vessel = closedVolume(composition, volume, mass, T);
  switch (vessel.state) {
    case 'two-phase':
      return { state: 'two-phase', liquidShare: vessel.liquidVolumeFraction, p: vessel.p };
    case 'liquid-full':
      return { state: 'liquid-full', liquidShare: 1, p: vessel.p };
    case 'vapour':
      return { state: 'vapour', liquidShare: 0, p: vessel.p };
    default:
      return vessel satisfies never;
  }
}
