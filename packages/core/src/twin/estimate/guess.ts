/** What readings tell of a transfer beyond its records. */
export const unknowns = ['charge', 'flow', 'pump', 'machineCooling', 'cylinderCooling', 'oil'] as const;
export type Unknown = (typeof unknowns)[number];

/** Logarithms of factors, in the order of the unknowns; nothing is as it stands in the records. */
export type Guess = readonly number[];
export const AS_RECORDED: Guess = unknowns.map(() => 0);
