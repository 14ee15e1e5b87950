import { massFrom, massIn } from '../units/mass';

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

/** 20 kg: more than that between two readings of one cylinder is nearly always a slip. Common practice. */
export const JUMP_KG = 20;
/** A reading that is this near to a figure was meant as that figure. */
const NEAR_SHARE = 0.015;
const NEAR_KG = 0.1;
/** A collar, ice and the scale together leave that much open, kg. */
const TARE_OPEN_KG = 0.05;

/** The likeliest slip behind a reading of the scale, kg; nothing where it may well be true. */
export function readingDoubt(readKg: number, { tareKg, grossKg }: Expected): ReadingDoubt | undefined {
  if (isNear(readKg, grossKg)) return undefined;
  const slip = slipOf(readKg, { tareKg, grossKg });
  if (slip !== undefined) return slip;
  if (readKg < tareKg - TARE_OPEN_KG) return 'below-tare';
  return Math.abs(readKg - grossKg) > JUMP_KG ? 'jump' : undefined;
}

/** What the reading would have to be to be explained by a slip. */
function slipOf(readKg: number, { tareKg, grossKg }: Expected): ReadingDoubt | undefined {
  const netKg = grossKg - tareKg;
  if (netKg > NEAR_KG && isNear(readKg, netKg)) return 'net-for-gross';
  // "8.9" was typed as pounds while the scale stood on kilograms, and the other way round
  if (isNear(massIn(readKg, 'lb'), grossKg)) return 'kilograms-for-pounds';
  if (isNear(massFrom(readKg, 'lb'), grossKg)) return 'pounds-for-kilograms';
  return undefined;
}

const isNear = (kg: number, figure: number) => Math.abs(kg - figure) <= Math.max(NEAR_KG, NEAR_SHARE * figure);
