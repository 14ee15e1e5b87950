import data from './requalification.json';

/** A month of a stamp: 11 of 2021 is stamped 11-21. */
export interface StampMonth {
  readonly year: number;
  /** 1 to 12 */
  readonly month: number;
}

export type RequalificationState = 'valid' | 'due-soon' | 'overdue';

export const requalificationSource = data.source;
/** Years between requalifications where the collar says nothing else. */
export const usualYears = data.years;

/** The last month in which the cylinder may be filled. */
export const validThrough = ({ year, month }: StampMonth, years = data.years): StampMonth => ({ year: year + years, month });

/** How the stamp stands in the month of `today`. */
export function requalificationState(stamp: StampMonth, today: StampMonth, years = data.years): RequalificationState {
  const last = validThrough(stamp, years);
  const left = (last.year - today.year) * 12 + (last.month - today.month);
  if (left < 0) return 'overdue';
  return left < data.dueSoonMonths ? 'due-soon' : 'valid';
}
