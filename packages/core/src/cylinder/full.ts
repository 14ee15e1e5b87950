import data from './full.json';

/** @param stopNetKg what it may hold by the ruling limit, kg */
export const isFull = (contentKg: number, stopNetKg: number): boolean => contentKg > 0 && contentKg >= data.share * stopNetKg;

/** Days that a full one may rest before it goes to the reclaimer. */
export const FULL_RESTS_DAYS = data.restsDays;
