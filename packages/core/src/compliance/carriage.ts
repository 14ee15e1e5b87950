/** Why a cylinder is not driven as it is. 49 CFR 173.301(a), from memory: not with more in it than it may hold, nor of too low a class. */
export const carriageReasons = ['overfilled', 'pressure-rating-too-low'] as const;
export type CarriageReason = (typeof carriageReasons)[number];
/** Why it is not offered to a carrier: all of those, and what the papers could not say truly. */
export type ShippingReason = CarriageReason | 'negative-balance' | 'empty';

/** @param flags what is wrong with it, by the register */
export const notCarried = (flags: readonly string[]): CarriageReason | undefined =>
  carriageReasons.find((reason) => flags.includes(reason));

/** @param contentKg in it by the ledger */
export function notShipped({
  flags,
  contentKg,
}: {
  readonly flags: readonly string[];
  readonly contentKg: number;
}): ShippingReason | undefined {
  const carried = notCarried(flags);
  if (carried !== undefined) return carried;
  if (flags.includes('negative-balance')) return 'negative-balance';
  return contentKg > 0 ? undefined : 'empty';
}
