import data from './scale-tolerance.json';

/** A scale cannot tell less from nothing, kg: what holds no more is empty. */
export const EMPTY_KG = data.emptyKg;
/** A scale and a ledger that differ by less are one, kg. */
export const SAME_WEIGHT_KG = data.sameWeightKg;
/** Two weighings of one tare that differ by more are two tares, kg. */
export const TARE_DIFFERS_KG = data.tareDiffersKg;
/** What two scales may differ by for one mass, kg. */
export const TWO_SCALES_KG = data.twoScalesKg;
/** Less is named by nobody, kg. */
export const SEEN_KG = data.seenKg;
export const slip = data.slip;

/** Whether a reading lies below the tare by more than collar and scale leave open: it is no reading of this cylinder. Both in kg. */
export const isBelowTare = (grossKg: number, tareKg: number): boolean => grossKg < tareKg - data.belowTareKg;
