import type { Circuit, ComponentId } from '../circuit/circuit';
import type { Part, Valve, ValveState } from '../circuit/part';
import { surelyEmptied, underCharge, type PumpedInto } from '../circuit/sections';
import type { Method } from './method';

/** What a part of the circuit holds, for a drawing. */
export type Holds = 'liquid' | 'vapour' | 'both' | 'nearly-empty';
export type Where = ReadonlyMap<ComponentId, Holds>;

const LIQUID_PARTS: readonly Part[] = ['condenser', 'receiver'];

/** Where the refrigerant sits while the system rests: somewhere of both. */
export const whereAtRest = (circuit: Circuit): Where => new Map(circuit.components.map(({ id }) => [id, 'both']));

const RUNNING: Readonly<Record<Part, Holds>> = {
  compressor: 'vapour',
  'discharge-line': 'vapour',
  'reversing-valve': 'vapour',
  condenser: 'both',
  'outdoor-metering': 'liquid',
  'head-pressure-valve': 'both',
  receiver: 'both',
  drier: 'liquid',
  'sight-glass': 'liquid',
  'liquid-line': 'liquid',
  solenoid: 'liquid',
  metering: 'both',
  evaporator: 'both',
  'suction-line': 'vapour',
  accumulator: 'vapour',
};

/** Where it is while the system runs as it should. */
export const whereRunning = (circuit: Circuit): Where => new Map(circuit.components.map(({ id, part }) => [id, RUNNING[part]]));

/** Where a pump-down puts the charge; nothing for the methods that take it out. */
export const pumpedInto = (method: Method): PumpedInto | undefined =>
  method === 'pump-down-receiver' ? 'receiver' : method.startsWith('pump-down') ? 'condenser' : undefined;

/** The valves that are shut when the method is through. */
export const SHUT_AT_THE_END: Readonly<Partial<Record<Method, readonly Valve[]>>> = {
  'pump-down-condenser': ['liquid-service', 'suction-service'],
  'pump-down-and-recover': ['liquid-service', 'suction-service'],
  'pump-down-receiver': ['king', 'suction-service'],
};

/** What of a circuit is known that decides where the refrigerant is left. */
export interface Seen {
  readonly valves: Partial<Record<Valve, ValveState>>;
  readonly meteringStuckShut: boolean;
}

/** Where it sits when the method is through, before anything is opened: what is not surely emptied counts as full. */
export function whereAfter(method: Method, circuit: Circuit, { valves, meteringStuckShut }: Seen): Where {
  const into = pumpedInto(method);
  const pierced = method === 'pierce' || method === 'nothing'; // a pierced tube is its own port; what is flat is proved at both sides
  const emptied = surelyEmptied(circuit, { solenoidHeld: true, meteringStuckShut });
  const kept = into === undefined ? new Set<ComponentId>() : underCharge(circuit, into, valves, true);
  return new Map(
    circuit.components.map(({ id, part }): [ComponentId, Holds] => {
      if (into === undefined) return [id, pierced || emptied.has(id) ? 'nearly-empty' : 'both'];
      if (!kept.has(id)) return [id, 'nearly-empty'];
      return [id, LIQUID_PARTS.includes(part) ? 'liquid' : 'vapour'];
    }),
  );
}
