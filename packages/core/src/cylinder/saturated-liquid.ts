import type { Composition } from '../fluids/composition';
import { NoTwoPhaseState } from '../errors';
import { bubblePoint } from '../thermo/saturation';
import type { Density, Kelvin, Pascal } from '../units/quantity';
import { unless } from '../unless';
import { Remembered } from '../fluids/remembered';

export interface SaturatedLiquid {
  readonly rho: Density;
  readonly p: Pascal;
}

// a rack asks for the same few temperatures of the same few refrigerants, thousands of times
const remembered = new Remembered<SaturatedLiquid | undefined>();

/** Liquid at its bubble point; nothing where this refrigerant has no liquid at T. @throws OutOfRange, LiquidParts, NoConvergence */
export const saturatedLiquid = (composition: Composition, T: Kelvin): SaturatedLiquid | undefined =>
  remembered.of(composition, T, () => computed(composition, T));

const computed = (composition: Composition, T: Kelvin): SaturatedLiquid | undefined =>
  unless(NoTwoPhaseState, () => {
    const { rhoLiquid, p } = bubblePoint(composition, T);
    return { rho: rhoLiquid, p };
  });
