import type { Part, Valve } from './part';
import table from './system-kinds.json';

export type SystemKind = keyof typeof table.kinds;
export const systemKinds = Object.keys(table.kinds) as readonly SystemKind[]; // the keys of the table are the kinds

export type Ports = 'both' | 'one' | 'none';

/** What a kind of system usually has; the record of one system may differ. */
export interface KindOfSystem {
  readonly parts: readonly Part[];
  readonly valves: readonly Valve[];
  readonly ports: Ports;
  /** Water runs through its evaporator or condenser, and can freeze there. */
  readonly water: boolean;
  /** Sealed at the factory, with its charge. */
  readonly sealed: boolean;
  /** Its condensing unit is shipped with the charge of the plate. */
  readonly precharged: boolean;
}

// a JSON file has no literal types; `circuit.test.ts` holds the names of parts and valves
export const kindOf = (kind: SystemKind): KindOfSystem => table.kinds[kind] as KindOfSystem;
