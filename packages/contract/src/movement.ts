import * as z from 'zod';
import { account, accountKind } from './account';
import { fillLimitsAnswer } from './fill-limits';
import { composition, id, instant, massKg, name, refrigerantId, typed } from './primitives';

export const knownBy = ['weighed', 'estimated', 'nameplate', 'corrected'] as const;

const side = z.strictObject({ id, kind: accountKind, name: z.string() });

/** One entry of the ledger. It is never edited: a wrong one is reversed by an entry that names it. */
export const movement = z.strictObject({
  id,
  from: side,
  to: side,
  massKg: z.number(),
  refrigerant: z.string().nullable(),
  composition,
  known: z.enum(knownBy),
  grossBeforeKg: z.number().nullable(),
  grossAfterKg: z.number().nullable(),
  typed: z.record(z.string(), typed).nullable(),
  note: z.string().nullable(),
  visit: id.nullable(),
  happenedAt: instant,
  recordedAt: instant,
  recordedBy: z.string(),
  reverses: id.nullable(),
  reversedBy: id.nullable(),
});
export type Movement = z.infer<typeof movement>;

/** A transfer into a cylinder that stood on a scale: gross before, gross after. */
export const newTransfer = z.strictObject({
  key: id,
  from: id,
  cylinder: id,
  /** What went in, where the source does not say it (a supplier, unexplained). */
  refrigerant: refrigerantId.optional(),
  grossBeforeKg: massKg('gross weight before'),
  grossBeforeTyped: typed.optional(),
  grossAfterKg: massKg('gross weight after'),
  grossAfterTyped: typed.optional(),
  /** Set after the question "this mixes two refrigerants" was answered: the ledger records the truth. */
  acceptMixing: z.boolean().default(false),
  happenedAt: instant,
  recordedBy: name('name of the person'),
  note: z.string().max(500).optional(),
  /** The visit on which it was done. */
  visit: id.optional(),
});
export type NewTransfer = z.input<typeof newTransfer>;

/** What leaves a cylinder by the scale: into a system, to the reclaimer, into the air. */
export const newRemoval = z.strictObject({
  key: id,
  cylinder: id,
  to: id,
  grossBeforeKg: massKg('gross weight before'),
  grossBeforeTyped: typed.optional(),
  grossAfterKg: massKg('gross weight after'),
  grossAfterTyped: typed.optional(),
  happenedAt: instant,
  recordedBy: name('name of the person'),
  note: z.string().max(500).optional(),
  visit: id.optional(),
});
export type NewRemoval = z.infer<typeof newRemoval>;

/** A cylinder on the scale whose net weight is not what the ledger says: the difference is booked as unexplained. */
export const newWeighing = z.strictObject({
  key: id,
  grossKg: massKg('gross weight'),
  grossTyped: typed.optional(),
  happenedAt: instant,
  recordedBy: name('name of the person'),
});
export type NewWeighing = z.infer<typeof newWeighing>;

export const newReversal = z.strictObject({ key: id, recordedBy: name('name of the person'), note: name('reason') });
export type NewReversal = z.infer<typeof newReversal>;

/** What a booking answers: the entry, both accounts after it, and what may still go into the cylinder. */
export const booked = z.strictObject({
  movement,
  /** True where the same key had been booked before: nothing was added. */
  repeated: z.boolean(),
  from: account,
  to: account,
  limits: fillLimitsAnswer.nullable(),
  overfilledByKg: z.number().nullable(),
});
export type Booked = z.infer<typeof booked>;
