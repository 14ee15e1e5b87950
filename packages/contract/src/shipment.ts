import * as z from 'zod';
import { amount, currency } from './price';
import { composition, day, id, instant, massKg, name, note, plainText, quantity } from './primitives';

const MOST_SHIPPED_COUNT = 500;

/** Cylinders that leave; each key makes its move one event. */
export const newShipment = z.strictObject({
  key: id,
  to: name('reclaimer'),
  carrier: plainText.trim().max(120).default(''),
  day,
  cylinders: z
    .array(z.strictObject({ id, key: id }))
    .min(1, { error: 'Choose at least one cylinder.' })
    .max(MOST_SHIPPED_COUNT, { error: `At most ${MOST_SHIPPED_COUNT} cylinders in a shipment.` }),
  happenedAt: instant,
  recordedBy: name('name of the person'),
});
export type NewShipment = z.input<typeof newShipment>;

/** A cylinder of a shipment as it left. */
export const shippedLine = z.strictObject({
  cylinder: id,
  name: z.string(),
  refrigerant: z.string().nullable(),
  composition: composition.nullable(),
  massKg: z.number(),
  tareKg: z.number(),
});
export type ShippedLine = z.infer<typeof shippedLine>;

const share = (what: string) =>
  quantity(what)
    .min(0, { error: `The ${what} is below 0.` })
    .max(1, { error: `The ${what} is above 100 %.` });

/** What the laboratory of the reclaimer found; what it did not look for is absent. */
export const analysis = z.strictObject({
  purityShare: share('purity').optional(),
  airShare: share('non-condensables').optional(),
  moisturePpm: quantity('moisture')
    .min(0, { error: 'The moisture is below 0.' })
    .max(1e6, { error: 'The moisture is above a million ppm.' })
    .optional(),
  acidPpm: quantity('acidity')
    .min(0, { error: 'The acidity is below 0.' })
    .max(1e6, { error: 'The acidity is above a million ppm.' })
    .optional(),
  text: plainText.trim().max(300).optional(),
});
export type Analysis = z.infer<typeof analysis>;

/** What becomes of the difference between the ledger and the reclaimer's scale. */
export const receiptDifference = z.discriminatedUnion('is', [
  z.strictObject({ is: z.literal('none') }),
  z.strictObject({ is: z.literal('explained'), reason: name('reason of the difference') }),
  z.strictObject({ is: z.literal('booked') }),
]);
/** Empty again in the workshop, exchanged for another one, or still there. */
export const cameBack = ['empty', 'exchanged', 'not-yet'] as const;

const receiptLine = {
  cylinder: id,
  /** Net, by the reclaimer's scale. */
  receivedKg: massKg('received weight'),
  analysis,
  difference: receiptDifference,
  back: z.enum(cameBack),
  /** Above 0 where it is paid for, below 0 where taking it costs. */
  credit: quantity('credit').min(-1e7, { error: 'The cost is above ten million.' }).max(1e7, { error: 'The credit is above ten million.' }),
};

export const newReceipt = z.strictObject({
  key: id,
  certificate: plainText.trim().max(60).default(''),
  currency,
  /** Carriage, analysis and what else is charged for all together. */
  charges: amount('charges'),
  lines: z.array(z.strictObject(receiptLine)).min(1, { error: 'A receipt names at least one cylinder.' }).max(MOST_SHIPPED_COUNT),
  note: note.default(''),
  happenedAt: instant,
  recordedBy: name('name of the person'),
});
export type NewReceipt = z.input<typeof newReceipt>;

export const receipt = z.strictObject({
  certificate: z.string(),
  currency: z.string(),
  charges: z.number(),
  lines: z.array(z.strictObject({ ...receiptLine, sentKg: z.number(), name: z.string() })),
  note: z.string(),
  happenedAt: instant,
  recordedAt: instant,
  recordedBy: z.string(),
});
export type Receipt = z.infer<typeof receipt>;

export const shipment = z.strictObject({
  id,
  to: z.string(),
  carrier: z.string(),
  day,
  lines: z.array(shippedLine),
  happenedAt: instant,
  recordedBy: z.string(),
  receipt: receipt.nullable(),
});
export type Shipment = z.infer<typeof shipment>;
