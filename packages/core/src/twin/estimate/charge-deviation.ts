import priors from './priors.json';

/** A range of nine in ten, in standard deviations to each side. */
const SIGMAS = 1.645;
/** Nobody knows a charge better than that, and beyond that the range says nothing. */
const [LEAST, MOST] = [0.05, 1];

/** Standard deviation of the logarithm of a charge that lies between `low` and `high`, kg, nine times in ten; the usual one where that is no range. */
export const chargeDeviation = (low: number, high: number): number =>
  low > 0 && high > low ? Math.min(MOST, Math.max(LEAST, Math.log(high / low) / 2 / SIGMAS)) : priors.logarithms.charge;
