import type { Holding } from '../circuit/holding';
import type { Circuit } from '../circuit/circuit';
import type { MakeUpFact } from '../circuit/evidence';
import { circuitOf } from '../circuit/circuit-of';
import type { Purpose, Thing } from '../circuit/opened';
import { valves, type Valve, type ValveState } from '../circuit/part';
import type { PartVolume } from '../circuit/part-volume';
import { kindOf, type Ports, type SystemKind } from '../circuit/system-kind';
import type { EvacuationLevel } from '../compliance/evacuation-level';
import type { Composition } from '../fluids/composition';
import type { Kelvin, Pascal } from '../units/quantity';
import type { AsFound, SidesRead } from './as-found';
import type { ContentNow } from './content-now';
import { USUAL_EQUIPMENT, type Equipment } from './equipment';

/** A mass and how far it may be off, kg. */
export interface Range {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

/**
 * `runs`, `stands` and `burnt-out` were seen; what somebody only says of it neither allows nor forbids anything, and makes careful.
 */
export const compressorStates = ['unknown', 'runs', 'stands', 'burnt-out', 'said-to-stand', 'said-burnt-out'] as const;
export type CompressorState = (typeof compressorStates)[number];
/** Burnt out, or said to be: acid is reckoned with. */
export const perhapsBurntOut = (state: CompressorState): boolean => state === 'burnt-out' || state === 'said-burnt-out';
export const compressorTypes = ['scroll', 'reciprocating', 'rotary', 'screw', 'centrifugal'] as const;
export type CompressorType = (typeof compressorTypes)[number];
export const meteringStates = ['unknown', 'works', 'stuck-closed', 'stuck-open'] as const;
export type MeteringState = (typeof meteringStates)[number];
export const coolingStates = ['unknown', 'held', 'not-held'] as const;
export type CoolingState = (typeof coolingStates)[number];
/** `leaks-in`: water has got, or may get, into the refrigerant; `drained`: the water side is isolated and drained. */
export const waterStates = ['unknown', 'flows', 'stands', 'leaks-in', 'drained'] as const;
export type WaterState = (typeof waterStates)[number];

/** Everything that decides how the refrigerant is brought out, SI. */
export interface JobConditions {
  readonly kind: SystemKind;
  readonly composition: Composition;
  /** Around the condenser, K. */
  readonly T: Kelvin;
  /** Pa, at the site. */
  readonly atmosphere: Pascal;
  /** Of the whole circuit. */
  readonly volume: PartVolume;
  /** What is in it: by the ledger, or by the plate with the line set. */
  readonly content: Range & Partial<Pick<ContentNow, 'onRecord'>>;
  readonly asFound: AsFound;
  /** On which sides that was read. */
  readonly sides: SidesRead;
  /** As installed. */
  readonly circuit: Circuit;
  /** What of its make-up nobody has compared with the unit: as the record says, or as such a kind usually is. */
  readonly unseen: readonly MakeUpFact[];
  readonly purpose: Purpose;
  /** What has failed; `unknown` until it is found, `none` where the system is only to be emptied. */
  readonly failed: Thing | 'unknown' | 'none';
  readonly valves: Readonly<Record<Valve, ValveState>>;
  readonly ports: Ports;
  readonly compressor: { readonly type: CompressorType; readonly state: CompressorState };
  readonly metering: MeteringState;
  /** Whether a heat pump can be kept in cooling; always of others. */
  readonly cooling: CoolingState;
  /** Water through the barrel, where there is one. */
  readonly water: WaterState | 'none';
  /** What condenser and receiver may hold at T; absent where there is no such part. */
  readonly condenser?: Holding;
  readonly receiver?: Holding;
  /** Whether they stand in the shade for sure; where nobody knows, the sun is on them. */
  readonly shaded: boolean;
  /** What has to be reached before it is opened. */
  readonly level: EvacuationLevel;
  /** What recovers it. */
  readonly equipment: Equipment;
}

type Given = Pick<JobConditions, 'kind' | 'composition' | 'T' | 'atmosphere' | 'volume' | 'content' | 'level'>;

/** Conditions of which only the given is told: the rest as the kind of system usually is, everything seen and nothing broken. */
export function situationOf(given: Given & Partial<JobConditions>): JobConditions {
  const kind = kindOf(given.kind);
  const states = Object.fromEntries(
    valves.map((valve) => [valve, given.valves?.[valve] ?? (kind.valves.includes(valve) ? 'holds' : 'none')]),
  ) as Record<Valve, ValveState>; // of every valve
  const ports = given.ports ?? kind.ports;
  return {
    asFound: { state: 'unread' },
    sides: 'both',
    unseen: [],
    purpose: 'repair',
    failed: 'none',
    ports,
    compressor: { type: 'scroll', state: 'runs' },
    metering: 'works',
    cooling: 'held',
    water: kind.water.length > 0 ? 'flows' : 'none',
    equipment: USUAL_EQUIPMENT,
    shaded: false,
    circuit: circuitOf({ kind: given.kind, valves: states, ports }),
    ...given,
    valves: states,
  };
}
