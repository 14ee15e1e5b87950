import data from './charge-doubt.json';

/** Share by which a charge that nobody has weighed may be off, either way. */
export const CHARGE_DOUBT = data.share;

/** What may be in it, kg, of what plate and ledger say. */
export const withDoubt = (likely: number) => ({ low: (1 - CHARGE_DOUBT) * likely, likely, high: (1 + CHARGE_DOUBT) * likely });
