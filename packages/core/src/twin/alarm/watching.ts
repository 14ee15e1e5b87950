import data from './watching.json';

/** A reading at a moment, ms, in SI. */
export interface ReadAt {
  readonly at: number;
  readonly value: number;
}

/** Whether the head, Pa absolute, is so near to the cut-out that it is told. */
export const nearCutOut = (headPa: number, cutOutPa: number): boolean => headPa > data.nearCutOutShare * cutOutPa;

/** Whether what comes in a later half is so much less than in the half before that the transfer slows down. */
export const slowsDown = (earlierKg: number, laterKg: number): boolean => laterKg < data.slowingShare * earlierKg;

/**
 * Whether the machine seems to have tripped: the head was at the cut-out, falls, and nothing flows any more.
 * @param rateKgPerS by the person's clock @param speed how much faster than it the readings' clock runs
 */
export function seemsTripped(head: readonly ReadAt[], rateKgPerS: number | undefined, cutOutPa: number, speed: number): boolean {
  const { fromShare, fallsByShare, withinS, stillKgPerS } = data.tripped;
  const last = head.at(-1);
  if (last === undefined || rateKgPerS === undefined || rateKgPerS > stillKgPerS * speed) return false;
  const lately = head.filter(({ at }) => at >= last.at - (1000 * withinS) / Math.sqrt(speed));
  const highest = Math.max(...lately.map(({ value }) => value));
  return highest > fromShare * cutOutPa && last.value < (1 - fallsByShare) * highest;
}

/**
 * What a scale shows now, kg: the middle one of its last readings, each carried on to the last at the rate, so that a kick is no weight and a
 * weight that rises is not told late. @param rateKgPerS by the clock of the readings
 */
export function steadyNow(reads: readonly ReadAt[], rateKgPerS: number): number | undefined {
  const last = reads.at(-1);
  return last === undefined ? undefined : steadyOf(reads.map(({ at, value }) => value + (rateKgPerS * (last.at - at)) / 1000));
}

/** The middle one of the last readings of a scale, kg, so that a kick is no weight. */
export function steadyOf(values: readonly number[]): number | undefined {
  const sorted = values.slice(-data.steadyReadings).sort((a, b) => a - b);
  return sorted[sorted.length >> 1];
}
