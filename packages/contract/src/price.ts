import { priceKinds } from '@hygromet/core/account/price';
import * as z from 'zod';
import { day, id, instant, name, quantity, refrigerantId } from './primitives';

export const currency = z.string().regex(/^[A-Z]{3}$/, { error: 'Give the currency by its three letters, such as USD.' });
/** A plain amount: what it means for the books is not ours. */
export const amount = (what: string) =>
  quantity(what)
    .min(0, { error: `The ${what} is below 0.` })
    .max(1e7, { error: `The ${what} is above ten million. Check the decimal mark.` });

export const newPrice = z.strictObject({
  key: id,
  refrigerant: refrigerantId,
  /** What it costs, or what the reclaimer credits. */
  kind: z.enum(priceKinds),
  perKg: amount('price per kilogram'),
  currency,
  /** The first day on which it counts. */
  from: day,
  recordedBy: name('name of the person'),
});
export type NewPrice = z.infer<typeof newPrice>;

export const price = newPrice.omit({ key: true }).extend({ id, recordedAt: instant });
export type PriceOnRecord = z.infer<typeof price>;
