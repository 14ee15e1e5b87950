import type { Cylinder } from '@hygromet/contract/cylinder';
import { readingDoubt } from '@hygromet/core/cylinder/reading-doubt';
import type { Units } from '../preferences/units.service';
import { readQuantity, type QuantityEntry } from '../ui/quantity-entry';
import { doubtWords } from './doubt-words';
import type { HappeningDraft } from './happening-draft';

const read = (entry: QuantityEntry): number | undefined => {
  const reading = readQuantity('mass', entry);
  return reading.state === 'good' ? reading.si : undefined;
};

/** The question that a weight of a happening is asked back with; nothing where it may well be true, or no weight belongs to it. */
export function happeningDoubt(
  { what, before, after, tare }: HappeningDraft,
  { tareKg, contentKg }: Pick<Cylinder, 'tareKg' | 'contentKg'>,
  units: Pick<Units, 'massText'>,
): string | undefined {
  const asked = (readKg: number | undefined, expectedKg: number, emptyKg: number) => {
    const doubt = readKg === undefined ? undefined : readingDoubt(readKg, { tareKg: emptyKg, grossKg: expectedKg });
    return doubt === undefined ? undefined : doubtWords(doubt, readKg!, expectedKg, { tareKg: emptyKg }, units);
  };
  if (what === 'tare-weighed') return asked(read(tare), tareKg, 0); // nothing is in it: there is no net weight to mistake it for
  if (what !== 'left') return undefined;
  const [first, last] = [read(before), read(after)];
  return asked(first, tareKg + Math.max(0, contentKg), tareKg) ?? (first === undefined ? undefined : jumped(last, first, tareKg, units));
}

/** What the scale showed in between nobody has typed: after the reading before, only a jump or a weight below the tare is odd. */
function jumped(lastKg: number | undefined, firstKg: number, tareKg: number, units: Pick<Units, 'massText'>): string | undefined {
  const doubt = lastKg === undefined ? undefined : readingDoubt(lastKg, { tareKg, grossKg: firstKg });
  return doubt === 'jump' || doubt === 'below-tare' ? doubtWords(doubt, lastKg!, firstKg, { tareKg }, units) : undefined;
}
