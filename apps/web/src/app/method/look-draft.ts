import type { Method } from '@hygromet/core/planning/method';
import { USUAL_EQUIPMENT } from '@hygromet/core/planning/equipment';
import type { Preferences } from '../preferences/preferences';
import { emptyEntry, type QuantityEntry } from '../ui/quantity-entry';

/** What was seen and decided at the unit, kept on the device. */
export interface LookDraft {
  /** The visit it was made for; nothing before one is open. */
  readonly visit: string | null;
  readonly ambient: QuantityEntry;
  readonly standing: QuantityEntry;
  readonly failed: string;
  readonly compressor: string;
  readonly metering: string;
  readonly heldInCooling: boolean;
  readonly water: string;
  readonly majorRepair: boolean;
  readonly leaks: boolean;
  readonly shaded: boolean;
  readonly machine: string;
  readonly cores: string;
  readonly hoses: string;
  readonly cooling: string;
  readonly built: string;
  /** Chosen against the proposal, and why. */
  readonly method: Method | null;
  readonly why: string;
  /** Version of the system's facts that this plan has been looked at with. */
  readonly seenVersion: number | null;
  /** What was read beside a step, by its place in the list of the method. */
  readonly readings: Readonly<Record<string, string>>;
}

export const newLookDraft = ({ temperature, pressure }: Preferences): LookDraft => ({
  visit: null,
  ambient: { ...emptyEntry(temperature), text: temperature === 'F' ? '80' : '27' },
  standing: emptyEntry(pressure),
  failed: 'unknown',
  compressor: 'runs',
  metering: 'works',
  heldInCooling: true,
  water: 'flows',
  majorRepair: true,
  leaks: false,
  shaded: false,
  machine: USUAL_EQUIPMENT.machine,
  cores: USUAL_EQUIPMENT.cores,
  hoses: USUAL_EQUIPMENT.hoses,
  cooling: USUAL_EQUIPMENT.cooling,
  built: 'after-1993',
  method: null,
  why: '',
  seenVersion: null,
  readings: {},
});
