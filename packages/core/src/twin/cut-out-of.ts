import { machineCutOut } from '../planning/cut-out';
import { usualHighSwitch } from '../planning/pump-down';
import type { Scenario } from './scenario';

/** Pa absolute at which what drives a transfer trips: a recovery machine, or the high-pressure switch of the system's own compressor, where there is a usual one. */
export const cutOutOf = ({ method, composition }: Scenario): number =>
  method === 'pump-down' ? (usualHighSwitch(composition) ?? Number.POSITIVE_INFINITY) : machineCutOut;
