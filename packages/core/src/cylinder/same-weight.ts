import { SAME_WEIGHT_KG } from './scale-tolerance';

/** How far an account is below nothing, kg: more came out than was in it by the ledger. Nothing while that may be the scale. */
export const overdrawnBy = (contentKg: number): number | null => (contentKg < -SAME_WEIGHT_KG ? -contentKg : null);

/** Whether a difference between scale and ledger is no more than the scale may be off, both in kg. */
export const sameWeight = (differsKg: number, scaleOffKg = 0): boolean => Math.abs(differsKg) <= Math.max(SAME_WEIGHT_KG, scaleOffKg);
