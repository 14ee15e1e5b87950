import type { Visit } from './visit';

/** What the last settled check of a visit says of the charge, as long as nothing was taken out since: later it is another charge. */
export function ranShareOf({ runs, recovered }: Pick<Visit, 'runs' | 'recovered'>): number | undefined {
  if (recovered.bookings > 0) return undefined;
  return runs.findLast(({ settled, chargeShare }) => settled && chargeShare !== null)?.chargeShare ?? undefined;
}
