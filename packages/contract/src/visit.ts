import { methods } from '@hygromet/core/planning/method';
import * as z from 'zod';
import { day, id, instant, name, note, plainText, quantity, temperatureK, versionSeen } from './primitives';
import { systemKind } from './system';

/** What was read at a step of the checklist. It is added, never changed: the last reading of a step counts. */
export const newVisitReading = z.strictObject({
  key: id,
  step: plainText.min(1).max(60),
  text: plainText.trim().min(1, { error: 'Write what was read.' }).max(200, { error: 'At most 200 characters.' }),
  readAt: instant,
  recordedBy: name('name of the person'),
});
export type NewVisitReading = z.infer<typeof newVisitReading>;

export const visitReading = z.strictObject({ step: z.string(), text: z.string(), readAt: instant, recordedBy: z.string() });
export type VisitReading = z.infer<typeof visitReading>;

export const newVisit = z.strictObject({
  key: id,
  system: id,
  day,
  reason: name('reason of the visit'),
  recordedBy: name('name of the person'),
});
export type NewVisit = z.infer<typeof newVisit>;

/** What was decided at the unit, and from which facts. */
export const visitPlan = z.strictObject({
  method: z.enum(methods),
  /** What the table of reasons proposed; another method carries its reason. */
  proposed: z.enum(methods).nullable(),
  why: note,
  failed: plainText.max(40),
  /** Whether the compressor burnt out: what comes out of the system is kept apart. */
  burntOut: z.boolean().optional(),
  ambientK: temperatureK('ambient temperature'),
  standingPa: quantity('standing pressure').nullable(),
  /** Version of the system's facts that the plan rests on. */
  factsVersion: versionSeen,
});
export type VisitPlan = z.infer<typeof visitPlan>;

export const savedPlan = z
  .strictObject({ version: versionSeen, plan: visitPlan, recordedBy: name('name of the person') })
  .refine(({ plan }) => plan.method === plan.proposed || plan.why.trim() !== '', {
    path: ['plan', 'why'],
    error: 'Say why the proposal is not taken: it stands in the record.',
  });
export type SavedPlan = z.infer<typeof savedPlan>;

export const closedVisit = z.strictObject({ version: versionSeen, recordedBy: name('name of the person') });

/** A visit is done on another day than it was planned for. */
export const movedVisit = z.strictObject({ version: versionSeen, day, recordedBy: name('name of the person') });
export type MovedVisit = z.infer<typeof movedVisit>;

export const visit = z.strictObject({
  id,
  system: z.strictObject({ id, site: z.string(), name: z.string(), kind: systemKind, refrigerant: z.string(), factsVersion: z.int() }),
  day,
  reason: z.string(),
  plan: visitPlan.nullable(),
  readings: z.array(visitReading),
  /** What was taken out on this visit, by the scale; reversed bookings do not count. */
  recovered: z.strictObject({ bookings: z.int(), massKg: z.number() }),
  state: z.enum(['open', 'closed']),
  openedBy: z.string(),
  changedAt: instant,
  version: z.int(),
});
export type Visit = z.infer<typeof visit>;
