import { parts, type FittedState, type OptionalPart, type Part, type Valve, type ValveState } from './part';
import table from './system-kinds.json';

export type SystemKind = keyof typeof table.kinds;
export const systemKinds = Object.keys(table.kinds) as readonly SystemKind[]; // the keys of the table are the kinds

/** `one`: there is one port, and nobody has said on which side. */
export const portChoices = ['both', 'one', 'suction', 'liquid', 'none'] as const;
export type Ports = (typeof portChoices)[number];

/** What a kind of system usually has; the record of one system may differ. */
export interface KindOfSystem {
  readonly parts: readonly Part[];
  readonly valves: readonly Valve[];
  readonly ports: Ports;
  /** Exchangers with water on their other side: it can freeze there. */
  readonly water: readonly Part[];
  /** Where a suction service valve sits. */
  readonly suctionValve: 'unit' | 'compressor';
  /** Whether such a unit is built with a condenser cooled by water as well. */
  readonly condenserMayBeWater: boolean;
  /** Sealed at the factory, with its charge. */
  readonly sealed: boolean;
  /** Its condensing unit is shipped with the charge of the plate. */
  readonly precharged: boolean;
}

// a JSON file has no literal types; `circuit.test.ts` holds the names of parts and valves
export const kindOf = (kind: SystemKind): KindOfSystem => table.kinds[kind] as KindOfSystem;

/** What a record says of the make-up of a circuit; whatever it does not say is as this kind usually is. */
export interface CircuitRecord {
  readonly kind: SystemKind;
  readonly fitted?: Partial<Record<OptionalPart, FittedState>> | undefined;
  readonly valves?: Partial<Record<Valve, ValveState>> | undefined;
  readonly ports?: Ports | undefined;
  /** Of a multi-split. */
  readonly indoorUnits?: number | undefined;
  readonly condenserCooling?: CondenserCooling | undefined;
}

export const condenserCoolings = ['air', 'water'] as const;
export type CondenserCooling = (typeof condenserCoolings)[number];

/** The kinds of parts that this system has, in the order of the flow. */
export const partsOf = ({ kind, fitted = {} }: Pick<CircuitRecord, 'kind' | 'fitted'>): readonly Part[] =>
  parts.filter((part) => ((fitted as Partial<Record<Part, FittedState>>)[part] ?? usual(kind, part)) === 'fitted');

const usual = (kind: SystemKind, part: Part): FittedState => (kindOf(kind).parts.includes(part) ? 'fitted' : 'none');

/** What is known of a valve of this system: one that its kind has and nobody has tried is not verified. */
export const valveStateOf = (valve: Valve, { kind, valves = {} }: Pick<CircuitRecord, 'kind' | 'valves'>): ValveState =>
  valves[valve] ?? (kindOf(kind).valves.includes(valve) ? 'unproved' : 'none');
