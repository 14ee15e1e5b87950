import { PASCAL_PER_MICRON } from './water';

const AIR_PA = 101_325;
const MINUTES_PER_HOUR = 60;

/**
 * Micron a minute that a leak can make of a vacuum at most, where a nitrogen hold has excluded that it loses more than `lossPerHour` of its
 * nitrogen. Through a hole air comes in as nitrogen went out, by their pressures (choked); through a path it comes in slower. The faster one
 * counts. Source: Roth, Vacuum Technology; EN 1779 (from memory). @param lossPerHour share an hour
 */
export const riseLeftBy = (lossPerHour: number): number => (lossPerHour * AIR_PA) / MINUTES_PER_HOUR / PASCAL_PER_MICRON;

/** A nitrogen hold that has ended, ms since 1970. */
export interface HeldTo {
  readonly at: number;
  readonly verdict: string;
  /** Share an hour that it was to exclude. */
  readonly tightTo: number;
}

/**
 * The least that any hold has left of a leak, micron a minute; nothing where none has shown one. What was opened or repaired after it has
 * not been held. @param opened ms at which a place was found to leak or was repaired
 */
export function leftByHolds(holds: readonly HeldTo[], opened: readonly number[]): number | undefined {
  const since = Math.max(Number.NEGATIVE_INFINITY, ...opened);
  const shown = holds.filter(({ at, verdict }) => verdict === 'tight' && at > since).map(({ tightTo }) => riseLeftBy(tightTo));
  return shown.length === 0 ? undefined : Math.min(...shown);
}
