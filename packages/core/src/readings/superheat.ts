import type { Composition } from '../fluids/composition';
import { bubblePointAt, dewPointAt } from '../thermo/saturation-temperature';
import type { Kelvin, Pascal } from '../units/quantity';

/**
 * How much warmer a vapour is than its dew point, K. Negative: at this pressure it cannot be all vapour.
 * For blends with a glide it counts from the dew point, the subcooling from the bubble point (common practice).
 * @param p absolute, Pa @throws OutOfRange where the line does not reach that pressure
 */
export const superheat = (composition: Composition, p: Pascal, T: Kelvin): number => T - dewPointAt(composition, p).T;

/** How much colder a liquid is than its bubble point, K. Negative: at this pressure it cannot be all liquid. Errors as for the superheat. */
export const subcooling = (composition: Composition, p: Pascal, T: Kelvin): number => bubblePointAt(composition, p).T - T;
