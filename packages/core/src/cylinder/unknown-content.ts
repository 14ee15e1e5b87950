import type { Composition } from '../fluids/composition';

/**
 * The content of which nobody knows what it is, as the ledger writes it: one part, and no substance of that name. Whoever asks an equation
 * about it is refused; limits and classes take it for everything that it could be.
 */
export const UNKNOWN_ID = 'unknown';
export const UNKNOWN: Composition = { [UNKNOWN_ID]: 1 };

/** Whether a part of it is not known: then nothing of it is. */
export const isUnknown = (composition: Composition): boolean => (composition[UNKNOWN_ID] ?? 0) > 0;
