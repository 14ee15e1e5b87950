import type { Circuit, ComponentId, ValveId } from './circuit';
import { valvesOf } from './circuit';
import type { JointId } from './opened';
import type { Port } from './part';

/** A place that can leak: where two components meet, the stem and cap of a valve, the core and cap of a port. */
export type Joint =
  | { readonly id: JointId; readonly kind: 'joint'; readonly from: ComponentId; readonly to: ComponentId }
  | { readonly id: ValveId; readonly kind: 'valve' }
  | { readonly id: Port; readonly kind: 'port' };

/** How a joint was looked at. */
export const jointChecks = ['soap', 'detector', 'hold'] as const;
export type JointCheck = (typeof jointChecks)[number];
export const jointFindings = ['tight', 'leaks', 'repaired'] as const;
export type JointFinding = (typeof jointFindings)[number];

/**
 * The joints of a circuit in the order in which the refrigerant passes them. Common practice: everything that is joined can leak, every
 * valve has a stem under its cap, every port a core under its cap.
 */
export const jointsOf = (circuit: Circuit): readonly Joint[] => [
  ...circuit.links.map(({ from, to }): Joint => ({ id: `${from}>${to}`, kind: 'joint', from, to })),
  ...valvesOf(circuit).map(({ id }): Joint => ({ id, kind: 'valve' })),
  ...circuit.ports.map(({ port }): Joint => ({ id: port, kind: 'port' })),
];
