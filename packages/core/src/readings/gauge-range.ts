import { pressureFrom, STANDARD_ATMOSPHERE } from '../units/pressure';
import type { Pascal } from '../units/quantity';

/**
 * Pa absolute. What is read above it is a slip or the wrong unit, whatever the refrigerant: gauges for R-744, the highest of the trade, end at
 * 3000 psig; those of a common manifold at 800. Common practice.
 */
export const HIGHEST_READING = pressureFrom(3000, 'psig', STANDARD_ATMOSPHERE);

/** Whether a gauge that somebody connects to a system can show it. @param p absolute, Pa */
export const canBeRead = (p: Pascal): boolean => p <= HIGHEST_READING;
