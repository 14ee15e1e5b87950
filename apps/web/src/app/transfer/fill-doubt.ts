import type { Cylinder } from '@hygromet/contract/cylinder';
import { readingDoubt } from '@hygromet/core/cylinder/reading-doubt';
import type { Units } from '../preferences/units.service';
import { doubtWords } from '../cylinders/doubt-labels';

interface Readings {
  readonly cylinder: Pick<Cylinder, 'tareKg' | 'contentKg'>;
  readonly stage: 'cylinder' | 'transfer' | 'account';
  /** kg, as far as they can be read. */
  readonly before: number | undefined;
  readonly after: number | undefined;
}

/**
 * The question that a reading of a fill is asked back with. Before it, the scale is held against the ledger; after it, against the
 * reading before, where only a jump is odd: what the scale showed in between nobody has typed.
 */
export function fillDoubt({ cylinder, stage, before, after }: Readings, units: Pick<Units, 'massText'>): string | undefined {
  if (stage === 'cylinder' && before !== undefined) {
    const grossKg = cylinder.tareKg + Math.max(0, cylinder.contentKg);
    const doubt = readingDoubt(before, { tareKg: cylinder.tareKg, grossKg });
    // a weight below the tare is no question: the page says so beside the field and goes no further
    return doubt === undefined || doubt === 'below-tare' ? undefined : doubtWords(doubt, before, grossKg, cylinder, units);
  }
  if (stage === 'transfer' && before !== undefined && after !== undefined) {
    const doubt = readingDoubt(after, { tareKg: cylinder.tareKg, grossKg: before });
    return doubt === 'jump' ? doubtWords(doubt, after, before, cylinder, units) : undefined;
  }
  return undefined;
}
