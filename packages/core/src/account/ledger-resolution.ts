import data from './ledger-resolution.json';

/** Less than a milligram nobody has weighed: it counts as nothing, kg. */
export const NOTHING_KG = data.leastKg;
/** Two readings that differ by less are one that was rounded on its way, kg. */
export const KEPT_TO_KG = data.keptKg;
