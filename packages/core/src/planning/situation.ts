import type { Holding } from '../circuit/holding';
import type { Part, Valve, ValveState } from '../circuit/part';
import type { PartVolume } from '../circuit/part-volume';
import { kindOf, type Ports, type SystemKind } from '../circuit/system-kind';
import type { EvacuationLevel } from '../compliance/evacuation-level';
import type { Composition } from '../fluids/composition';
import type { Kelvin, Pascal } from '../units/quantity';
import type { Arrival } from './arrival';
import { USUAL_EQUIPMENT, type Equipment } from './equipment';

/** A mass and how far it may be off, kg. */
export interface Range {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

export type CompressorState = 'runs' | 'stands' | 'burnt-out' | 'unknown';
export const compressorTypes = ['scroll', 'reciprocating', 'rotary', 'screw', 'centrifugal'] as const;
export type CompressorType = (typeof compressorTypes)[number];
export type MeteringState = 'works' | 'stuck-closed' | 'stuck-open';

/** Everything that decides how the refrigerant is brought out, SI. */
export interface Situation {
  readonly kind: SystemKind;
  readonly composition: Composition;
  /** Around the condenser, K. */
  readonly T: Kelvin;
  /** Pa, at the site. */
  readonly atmosphere: Pascal;
  /** Of the whole circuit. */
  readonly volume: PartVolume;
  /** What is in it: by the ledger, or by the plate with the line set. */
  readonly content: Range;
  readonly arrival: Arrival;
  /** The part that has to be opened; `unknown` until the leak is found, `none` where the system is only to be emptied. */
  readonly failed: Part | 'unknown' | 'none';
  readonly valves: Readonly<Record<Valve, ValveState>>;
  readonly ports: Ports;
  readonly compressor: { readonly type: CompressorType; readonly state: CompressorState };
  readonly metering: MeteringState;
  /** A heat pump that can be kept in cooling; always true of others. */
  readonly heldInCooling: boolean;
  /** Water through the barrel, where there is one. */
  readonly water: 'flows' | 'stands' | 'none';
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

type Given = Pick<Situation, 'kind' | 'composition' | 'T' | 'atmosphere' | 'volume' | 'content' | 'level'>;

/** A situation of which only the given is known: the rest as the kind of system usually is, nothing broken, nothing read. */
export function situationOf(given: Given & Partial<Situation>): Situation {
  const kind = kindOf(given.kind);
  const state = (valve: Valve): ValveState => (kind.valves.includes(valve) ? 'holds' : 'none');
  return {
    arrival: { state: 'unread' },
    failed: 'none',
    ports: kind.ports,
    compressor: { type: 'scroll', state: 'runs' },
    metering: 'works',
    heldInCooling: true,
    water: kind.water ? 'flows' : 'none',
    equipment: USUAL_EQUIPMENT,
    shaded: false,
    ...given,
    valves: {
      'liquid-service': state('liquid-service'),
      'suction-service': state('suction-service'),
      king: state('king'),
      ...given.valves,
    },
  };
}
