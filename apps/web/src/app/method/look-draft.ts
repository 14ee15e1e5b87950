import type { Look } from '@hygromet/contract/look';
import { valves, type Valve, type ValveState } from '@hygromet/core/circuit/part';
import type { Method } from '@hygromet/core/planning/method';
import { USUAL_EQUIPMENT } from '@hygromet/core/planning/equipment';
import type { Preferences } from '../preferences/preferences';
import { emptyEntry, type QuantityEntry } from '../ui/quantity-entry';

type Said<K extends keyof Look> = NonNullable<Look[K]>;

/** What was seen and decided at the unit, kept on the device. */
export interface LookDraft {
  /** The visit it was made for; nothing before one is open. */
  readonly visit: string | null;
  readonly ambient: QuantityEntry;
  /** It is beyond any usual weather, and was read again. */
  readonly ambientConfirmed: boolean;
  readonly standing: QuantityEntry;
  readonly sides: Said<'sides'>;
  /** What somebody says is missing. */
  readonly short: QuantityEntry;
  readonly purpose: Said<'purpose'>;
  readonly failed: Said<'failed'>;
  readonly compressor: Said<'compressor'>;
  readonly metering: Said<'metering'>;
  readonly coolingMode: Said<'coolingMode'>;
  readonly water: Said<'water'>;
  /** What was found of a valve today; not there where it is as the record has it. */
  readonly 'discharge-service'?: ValveState;
  readonly 'receiver-inlet'?: ValveState;
  readonly king?: ValveState;
  readonly 'liquid-service'?: ValveState;
  readonly 'branch-liquid'?: ValveState;
  readonly 'branch-gas'?: ValveState;
  readonly 'suction-service'?: ValveState;
  readonly majorRepair: boolean;
  readonly leaks: boolean;
  readonly shaded: boolean;
  readonly machine: Said<'machine'>;
  readonly cores: Said<'cores'>;
  readonly hoses: Said<'hoses'>;
  readonly cooling: Said<'cooling'>;
  readonly built: Said<'built'>;
  readonly destination: Said<'destination'>;
  readonly acid: Said<'acid'>;
  /** Which kit, and when. */
  readonly acidTest: string;
  /** Chosen against the proposal, and why. */
  readonly method: Method | null;
  readonly why: string;
  /** Version of the system's facts that this plan has been looked at with. */
  readonly seenVersion: number | null;
  /** What was read beside a step, by its place in the list of the method. */
  readonly readings: Readonly<Record<string, string>>;
}

/** Nothing is known of what nobody has seen, and nothing is measured that nobody has measured. */
export const newLookDraft = ({ temperature, pressure, mass }: Preferences): LookDraft => ({
  visit: null,
  ambient: emptyEntry(temperature),
  ambientConfirmed: false,
  standing: emptyEntry(pressure),
  sides: 'unknown',
  short: emptyEntry(mass),
  purpose: 'repair',
  failed: 'unknown',
  compressor: 'unknown',
  metering: 'unknown',
  coolingMode: 'unknown',
  water: 'unknown',
  majorRepair: true,
  leaks: false,
  shaded: false,
  machine: USUAL_EQUIPMENT.machine,
  cores: USUAL_EQUIPMENT.cores,
  hoses: USUAL_EQUIPMENT.hoses,
  cooling: USUAL_EQUIPMENT.cooling,
  built: 'after-1993',
  destination: 'unknown',
  acid: 'not-tested',
  acidTest: '',
  method: null,
  why: '',
  seenVersion: null,
  readings: {},
});

/** As it is kept on a device: a draft keeps what its shape names, so a valve of which nothing was found has its place as well. */
export type KeptLook = Omit<LookDraft, Valve> & Readonly<Record<Valve, ValveState | null>>;

export const newKeptLook = (preferences: Preferences): KeptLook => ({
  ...newLookDraft(preferences),
  ...(Object.fromEntries(valves.map((valve) => [valve, null])) as Record<Valve, null>), // one for each
});

export const lookOf = (kept: KeptLook): LookDraft =>
  Object.fromEntries(
    Object.entries(kept).filter(([name, value]) => value !== null || !valves.some((valve) => valve === name)),
  ) as unknown as LookDraft; // without what was not found

/** What of it was seen or chosen, as it is saved and planned with. */
export const saidOf = ({
  ambient: _a,
  standing: _s,
  short: _h,
  readings: _r,
  seenVersion: _v,
  visit: _i,
  method: _m,
  why: _w,
  ...said
}: LookDraft): Look => said;
