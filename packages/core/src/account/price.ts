import { within } from '../units/quantity';

/** What a kilogram of a refrigerant costs, or brings, from a day on. */
export const priceKinds = ['buy', 'credit'] as const;
export type PriceKind = (typeof priceKinds)[number];

export interface Price {
  readonly refrigerant: string;
  readonly kind: PriceKind;
  readonly perKg: number;
  readonly currency: string;
  /** "2026-11-25". */
  readonly from: string;
}

/** The price that counts on a day: the latest that had begun by then; of two that begin together, the one that was typed last. */
export function priceAt(prices: readonly Price[], refrigerant: string, kind: PriceKind, day: string): Price | undefined {
  const begun = prices.filter((price) => price.refrigerant === refrigerant && price.kind === kind && price.from <= day);
  return begun.reduce<Price | undefined>(
    (latest, price) => (latest === undefined || price.from >= latest.from ? price : latest),
    undefined,
  );
}

/** A plain amount in the currency of the price. @throws OutOfRange, NotANumber */
export const amountOf = ({ perKg }: Price, kg: number): number => within('mass', kg, 0, 1e6, 'kg') * perKg;
