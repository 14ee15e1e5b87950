import type { Pascal } from '../units/quantity';
import { pressureFrom, STANDARD_ATMOSPHERE } from '../units/pressure';
import machine from './recovery-machine.json';

/** Pa absolute: where the high-pressure cut-out of a recovery machine opens. */
export const machineCutOut = pressureFrom(machine.cutOut.value, 'psig', STANDARD_ATMOSPHERE);

/** How much of the way to the cut-out a head has gone, by the gauge: 1 opens it. @param p Pa absolute */
export const shareOfCutOut = (p: Pascal): number => (p - STANDARD_ATMOSPHERE) / (machineCutOut - STANDARD_ATMOSPHERE);

/** Common practice: so near the cut-out that a warmer hour opens it. */
export const nearsCutOut = (p: Pascal): boolean => shareOfCutOut(p) >= machine.cautionFrom.value;
