import { pressureFrom, STANDARD_ATMOSPHERE } from '../units/pressure';
import machine from './recovery-machine.json';

/** Pa absolute: where the high-pressure cut-out of a recovery machine opens. */
export const machineCutOut = pressureFrom(machine.cutOut.value, 'psig', STANDARD_ATMOSPHERE);
