import type { Composition } from '../fluids/composition';
import { OutOfRange } from '../errors';
import { kilogram, type CubicMetre, type Kilogram } from '../units/quantity';
import { celsius } from '../units/temperature';
import { saturatedLiquid } from './saturated-liquid';

/** Colder than any place where a cylinder is weighed; a colder liquid would only be denser still. */
const COLD = celsius(-40);

/** kg that the volume holds when it is full of cold liquid: more than that cannot be in it, whatever a scale seems to show. */
export function heldAtMost(composition: Composition, volume: CubicMetre): Kilogram | undefined {
  try {
    const liquid = saturatedLiquid(composition, COLD);
    return liquid === undefined ? undefined : kilogram(volume * liquid.rho);
  } catch (error) {
    if (error instanceof OutOfRange) return undefined; // its equations end above that
    throw error;
  }
}
