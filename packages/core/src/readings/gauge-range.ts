import { pressureFrom, STANDARD_ATMOSPHERE } from '../units/pressure';
import type { Pascal } from '../units/quantity';

/**
 * Pa absolute. What is read above it is a slip or the wrong unit: the high side of a manifold ends at 800 psig, and what is tested with
 * nitrogen stays below this as well. Common practice.
 */
export const HIGHEST_READING = pressureFrom(1160, 'psig', STANDARD_ATMOSPHERE);

/** Whether a gauge that somebody connects to a system can show it. @param p absolute, Pa */
export const canBeRead = (p: Pascal): boolean => p <= HIGHEST_READING;
