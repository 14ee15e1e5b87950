import type { Cylinder } from '@hygromet/contract/cylinder';
import { readingDoubt, readingDoubts, type ReadingDoubt } from '@hygromet/core/cylinder/reading-doubt';
import type { Units } from '../preferences/units.service';
import { readQuantity, type QuantityEntry } from '../ui/quantity-entry';
import { doubtWords } from './doubt-labels';
import type { CylinderEventDraft } from './cylinder-event-draft';

const read = (entry: QuantityEntry): number | undefined => {
  const reading = readQuantity('mass', entry);
  return reading.state === 'good' ? reading.si : undefined;
};

export interface Doubt {
  readonly sentence: string;
  /** The person may say that it is right all the same; less than the empty cylinder weighs is never booked. */
  readonly mayBe: boolean;
}

/** The question that a weight of an event is asked back with; nothing where it may well be true, or no weight belongs to it. */
export function eventPlausibility(
  { what, before, after, tare }: CylinderEventDraft,
  { tareKg, contentKg }: Pick<Cylinder, 'tareKg' | 'contentKg'>,
  units: Pick<Units, 'massText'>,
): Doubt | undefined {
  const asked = (readKg: number, expectedKg: number, emptyKg: number, odd: readonly ReadingDoubt[]): Doubt | undefined => {
    const doubt = readingDoubt(readKg, { tareKg: emptyKg, grossKg: expectedKg });
    if (doubt === undefined || !odd.includes(doubt)) return undefined;
    return { sentence: doubtWords(doubt, readKg, expectedKg, { tareKg: emptyKg }, units), mayBe: doubt !== 'below-tare' };
  };
  if (what === 'tare-weighed') {
    const empty = read(tare); // nothing is in it: there is no net weight to mistake it for
    return empty === undefined ? undefined : asked(empty, tareKg, 0, readingDoubts);
  }
  const [first, last] = [read(before), read(after)];
  if (what !== 'left' || first === undefined) return undefined;
  const atFirst = asked(first, tareKg + Math.max(0, contentKg), tareKg, readingDoubts);
  // what the scale showed in between nobody has typed: after the reading before, only a jump or a weight below the tare is odd
  return atFirst ?? (last === undefined ? undefined : asked(last, first, tareKg, ['jump', 'below-tare']));
}
