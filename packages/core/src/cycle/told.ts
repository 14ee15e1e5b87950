import data from './hypotheses.json';

/** Whether another reading tells enough, in bits, to be asked for. */
export const worthReading = (bits: number): boolean => bits >= data.told.leastBits;
/** Whether an explanation is likely enough to be named beside the first. */
export const worthSaying = (probability: number): boolean => probability >= data.told.leastProbability;
