const YEAR_S = 365.25 * 86_400;
/** Over less than this a rate says nothing: what went in may still be settling. */
const SHORTEST_S = 7 * 86_400;

/** kg a year, of what was lost within so many seconds; nothing where they are too few to say. */
export const leakRate = (kg: number, seconds: number): number | undefined =>
  kg > 0 && seconds >= SHORTEST_S ? (kg * YEAR_S) / seconds : undefined;
