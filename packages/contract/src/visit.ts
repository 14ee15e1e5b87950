import * as z from 'zod';
import { day, id, name } from './primitives';
import { systemKind } from './system';
import { appointment, visitEvent } from './visit-event';
import { visitRecord } from './visit-record';

export const newVisit = z.strictObject({
  key: id,
  system: id,
  day,
  reason: name('reason of the visit'),
  ...appointment,
  recordedBy: name('name of the person'),
});
export type NewVisit = z.infer<typeof newVisit>;

export const visit = visitRecord.extend({
  id,
  system: z.strictObject({ id, site: z.string(), name: z.string(), kind: systemKind, refrigerant: z.string(), factsVersion: z.int() }),
  /** What was taken out on this visit, by the scale; reversed bookings do not count. */
  recovered: z.strictObject({ bookings: z.int(), massKg: z.number() }),
});
export type Visit = z.infer<typeof visit>;

/** A visit with everything that was added to it, in that order. */
export const visitWithEvents = visit.extend({ events: z.array(visitEvent) });
export type VisitWithEvents = z.infer<typeof visitWithEvents>;
