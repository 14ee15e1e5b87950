import type { Place } from '@hygromet/contract/cylinder';
import { newKey } from '../data/new-key';
import type { Preferences } from '../preferences/preferences';
import { emptyEntry, type QuantityEntry } from '../ui/quantity-entry';

/** How a cylinder came out of the round. */
export interface RoundResult {
  readonly is: 'none' | 'explained' | 'booked';
  /** kg, the scale less the ledger. */
  readonly differsKg: number;
}

export interface WeighInDraft {
  /** Cylinders weighed in since then are done. */
  readonly startedAt: string;
  readonly place: Place | 'all';
  /** The cylinder on the scale; empty: the next that is not done. */
  readonly current: string;
  readonly key: string;
  readonly entry: QuantityEntry;
  readonly scaleOff: QuantityEntry;
  /** The person has read it, and wants to know what the ledger says. */
  readonly compared: boolean;
  /** A doubtful reading was asked back, and is right. */
  readonly certain: boolean;
  readonly reason: string;
  readonly otherReason: string;
  readonly results: Readonly<Record<string, RoundResult>>;
}

/** What a bench scale is good to, common practice: one step of its display. */
const USUAL_ACCURACY = { lb: '0.1', kg: '0.05' } as const;

export function newWeighIn({ mass }: Preferences, now: Date): WeighInDraft {
  const accuracyUnit = mass === 'kg' ? 'kg' : 'lb';
  return {
    startedAt: now.toISOString(),
    place: 'all',
    current: '',
    key: newKey(),
    entry: emptyEntry(mass),
    scaleOff: { ...emptyEntry(accuracyUnit), text: USUAL_ACCURACY[accuracyUnit] },
    compared: false,
    certain: false,
    reason: '',
    otherReason: '',
    results: {},
  };
}

/** What makes a scale differ from the ledger without anything having come or gone. Common practice. */
export const reasons = [
  $localize`ice or water on it`,
  $localize`a hose or a fitting was left on it`,
  $localize`the collar was read wrong`,
  $localize`the scale was not level, or not at zero`,
  $localize`what was moved is booked later`,
] as const;
export const OTHER_REASON = 'other';
