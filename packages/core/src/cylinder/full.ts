/** Of what it may hold: from there on a cylinder counts as full, for what is left is not worth another transfer. Common practice. */
const FULL_SHARE = 0.8;

/** @param stopNetKg what it may hold by the ruling limit, kg */
export const isFull = (contentKg: number, stopNetKg: number): boolean => contentKg > 0 && contentKg >= FULL_SHARE * stopNetKg;
