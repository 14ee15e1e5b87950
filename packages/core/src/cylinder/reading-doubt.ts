import { massFrom, massIn } from '../units/mass';
import { isBelowTare, slip } from './scale-tolerance';

/** What a reading is held against, kg. */
export interface Expected {
  readonly tareKg: number;
  /** What the scale should show: by the ledger, or by the reading before. */
  readonly grossKg: number;
}

/**
 * Why a reading should be asked back: it lies below the tare; it is the weight without the cylinder; it was read in the other unit; or
 * it jumps by more than anybody moves at once.
 */
export const readingDoubts = ['below-tare', 'net-for-gross', 'pounds-for-kilograms', 'kilograms-for-pounds', 'jump'] as const;
export type ReadingDoubt = (typeof readingDoubts)[number];

/** The likeliest slip behind a reading of the scale, kg; nothing where it may well be true. */
export function readingDoubt(readKg: number, { tareKg, grossKg }: Expected): ReadingDoubt | undefined {
  if (isNear(readKg, grossKg)) return undefined;
  const meant = slipOf(readKg, { tareKg, grossKg });
  if (meant !== undefined) return meant;
  if (isBelowTare(readKg, tareKg)) return 'below-tare';
  return Math.abs(readKg - grossKg) > slip.jumpKg ? 'jump' : undefined;
}

/** What the reading would have to be to be explained by a slip. */
function slipOf(readKg: number, { tareKg, grossKg }: Expected): ReadingDoubt | undefined {
  const netKg = grossKg - tareKg;
  if (netKg > slip.nearKg && isNear(readKg, netKg)) return 'net-for-gross';
  // "8.9" was typed as pounds while the scale stood on kilograms, and the other way round
  if (isNear(massIn(readKg, 'lb'), grossKg)) return 'kilograms-for-pounds';
  if (isNear(massFrom(readKg, 'lb'), grossKg)) return 'pounds-for-kilograms';
  return undefined;
}

const isNear = (kg: number, figure: number) => Math.abs(kg - figure) <= Math.max(slip.nearKg, slip.nearShare * figure);
