import type { Composition } from '../fluids/composition';
import { closedVolume } from '../thermo/closed-volume';
import { airIn, pressureWithGas } from '../thermo/non-condensable';
import type { CubicMetre, Kelvin, Kilogram, Pascal } from '../units/quantity';

/** How a cylinder stands at a temperature: drawn as liquid, vapour, or all liquid. Of an empty one no pressure is known. */
export type Level =
  | { readonly state: 'empty'; readonly liquidShare: 0 }
  | {
      readonly state: 'vapour' | 'two-phase' | 'two-liquids' | 'liquid-full';
      /** Share of the volume filled with liquid, 0 to 1. */
      readonly liquidShare: number;
      /** Pa absolute, with the air that is counted. */
      readonly p: Pascal;
    };

/** @param airShare of non-condensables in the vapour at 77 °F, by volume @throws OutOfRange, NoConvergence */
export function levelAt(composition: Composition, volume: CubicMetre, mass: Kilogram, T: Kelvin, airShare = 0): Level {
  if (mass === 0) return { state: 'empty', liquidShare: 0 };
  const vessel = closedVolume(composition, volume, mass, T);
  const p = airShare === 0 ? vessel.p : pressureWithGas(composition, volume, mass, T, airIn(composition, volume, mass, airShare));
  switch (vessel.state) {
    case 'two-phase':
    case 'two-liquids':
      return { state: vessel.state, liquidShare: vessel.liquidVolumeFraction, p };
    case 'liquid-full':
      return { state: vessel.state, liquidShare: 1, p };
    case 'vapour':
      return { state: vessel.state, liquidShare: 0, p };
    default:
      return vessel satisfies never;
  }
}
