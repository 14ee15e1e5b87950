import { objections } from '@hygromet/core/cylinder/objection';
import * as z from 'zod';
import { account, accountKind } from './account';
import { questions } from './asked-back';
import { fillLimitsAnswer, fillRule } from './fill-limits';
import { MOST_MOVEMENTS_COUNT, USUAL_MOVEMENTS_COUNT } from './ledger-page';
import { composition, id, instant, massKg, name, note, refrigerantId, typed, weighedKg } from './primitives';

export const knownBy = ['weighed', 'estimated', 'nameplate', 'corrected'] as const;

const side = z.strictObject({ id, kind: accountKind, name: z.string() });

/** The reading at which the valve was to be shut, as it was told before the transfer: a scale can be given it as data. */
export const scaleTarget = z.strictObject({
  grossKg: massKg('target weight'),
  /** The limit it comes from, and the gross weight of that limit. */
  rule: fillRule,
  limitGrossKg: massKg('gross weight of the limit'),
  /** As the person saw it, in the unit of that scale. */
  shown: typed,
  /** A rule that binds and was set aside for this transfer, and why. */
  overruled: z.strictObject({ rule: fillRule, why: name('reason') }).optional(),
});
export type ScaleTarget = z.infer<typeof scaleTarget>;

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
  target: scaleTarget.nullable(),
  /** What spoke against it when it was booked all the same; nothing where nothing did, and in entries that fill no cylinder. */
  against: z.array(z.enum(objections)).nullable(),
  visit: id.nullable(),
  happenedAt: instant,
  recordedAt: instant,
  recordedBy: z.string(),
  reverses: id.nullable(),
  reversedBy: id.nullable(),
});
export type Movement = z.infer<typeof movement>;

/** Which entries of the ledger are wanted; older ones by naming the last of those that are known. */
export const movementsQuery = z.strictObject({
  account: id.optional(),
  before: id.optional(),
  /** Each word must stand in an account, the refrigerant, the person or the note. */
  text: z
    .string()
    .trim()
    .min(1, { error: 'Say what is looked for.' })
    .max(100, { error: 'At most 100 characters to look for.' })
    .optional(),
  limit: z.coerce
    .number()
    .int({ error: 'A whole number of entries.' })
    .min(1, { error: 'At least one entry.' })
    .max(MOST_MOVEMENTS_COUNT, { error: `At most ${MOST_MOVEMENTS_COUNT} entries at a time; ask for older ones with "before".` })
    .default(USUAL_MOVEMENTS_COUNT),
});

/** What the server needs to ask back, and what the person answered. */
const asking = {
  /** The clock of the device when it was sent. */
  sentAt: instant.optional(),
  /** Questions that were asked back before, and that it is right all the same. */
  certain: z.array(z.enum(questions)).max(questions.length, { error: 'Each question is answered once.' }).optional(),
};

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
  /** Set after the question "this mixes two refrigerants" was answered, with the reason as note: the ledger records the truth. */
  acceptMixing: z.boolean().default(false),
  target: scaleTarget.optional(),
  happenedAt: instant,
  recordedBy: name('name of the person'),
  note: note.optional(),
  /** The visit on which it was done. */
  visit: id.optional(),
  ...asking,
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
  note: note.optional(),
  visit: id.optional(),
  ...asking,
});
export type NewRemoval = z.infer<typeof newRemoval>;

/**
 * What a system has lost, or holds too much, by an account: nobody has weighed it. Missing mass goes to the air or to what is not accounted
 * for; too much comes from there.
 */
export const newDifference = z.strictObject({
  key: id,
  system: id,
  /** The air, or what is not accounted for; of too much, also whoever supplied it. */
  account: id,
  direction: z.enum(['missing', 'surplus']),
  massKg: weighedKg('difference', 'The difference is 0: there is nothing to log.'),
  happenedAt: instant,
  recordedBy: name('name of the person'),
  /** Why: it stands with the entry. */
  note: note.refine((text) => text.trim() !== '', { error: 'Give the reason: it stands with the entry.' }),
  visit: id.optional(),
});
export type NewDifference = z.infer<typeof newDifference>;

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
  /** More came out than was in it by the ledger, kg: the ledger of a cylinder or a system below nothing. */
  overdrawnByKg: z.number().nullable(),
});
export type Booked = z.infer<typeof booked>;
