import type { Units } from '../preferences/units.service';

/** "USD 124.50": the currency by its letters, for a firm may use any. */
export const amountText = (amount: number, currency: string, units: Units): string =>
  `${currency} ${amount < 0 ? '−' : ''}${units.decimal(Math.abs(amount), 2)}`;
