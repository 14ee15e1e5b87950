import type { Composition } from '../fluids/composition';
import { modelOf } from '../thermo/mixture-model';
import { kelvin, kilogram, pascal, type CubicMetre, type Kilogram } from '../units/quantity';
import { celsius } from '../units/temperature';
import { densestAt } from './high-pressure-gas';
import { saturatedLiquid } from './saturated-liquid';

/** Colder than any place where a cylinder is weighed; a colder liquid would only be denser still. */
const COLD = celsius(-40);
/** No cylinder of this trade is filled beyond 300 bar: what has no liquid in the cold is a gas at most that dense. Common practice. */
const MOST_PRESSURE = pascal(3e7);

/**
 * kg that the volume holds when it is full of cold liquid: more than that cannot be in it, whatever a scale seems to show. Where the
 * equation starts above −40 °C its coldest liquid is taken.
 * @throws LiquidParts, NoConvergence
 */
export function heldAtMost(composition: Composition, volume: CubicMetre): Kilogram {
  const T = kelvin(Math.max(COLD, modelOf(composition).model.lowestT));
  return kilogram(volume * (saturatedLiquid(composition, T)?.rho ?? densestAt(composition, T, MOST_PRESSURE)));
}
