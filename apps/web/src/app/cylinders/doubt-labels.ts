import type { Cylinder } from '@hygromet/contract/cylinder';
import type { ReadingDoubt } from '@hygromet/core/cylinder/reading-doubt';
import type { Units } from '../preferences/units.service';

/** A reading that can hardly be is asked back: what is odd about it, and what to look at. */
export function doubtWords(
  doubt: ReadingDoubt,
  readKg: number,
  expectedKg: number,
  { tareKg }: Pick<Cylinder, 'tareKg'>,
  units: Pick<Units, 'massText'>,
): string {
  switch (doubt) {
    case 'below-tare':
      return $localize`That is below its tare of ${units.massText(tareKg)}. Read the scale again, and "TW" on the collar.`;
    case 'net-for-gross':
      return $localize`That is what should be in it without the cylinder. Was the scale set to zero with the cylinder on it?`;
    case 'kilograms-for-pounds':
      return $localize`That would fit in kilograms. Does the scale show kg?`;
    case 'pounds-for-kilograms':
      return $localize`That would fit in pounds. Does the scale show lb?`;
    case 'jump':
      return $localize`That is ${units.massText(Math.abs(readKg - expectedKg))} ${readKg > expectedKg ? $localize`more` : $localize`less`} than before. Read the scale again.`;
    default:
      return doubt satisfies never;
  }
}
