import * as z from 'zod';
import { cylinderKind, cylinderMarks, place } from './cylinder';
import { id, instant, massKg, name, quantity, refrigerantId, stampMonth, temperatureK, typed } from './primitives';

const base = {
  key: id,
  happenedAt: instant,
  recordedBy: name('name of the person'),
  note: z.string().max(500).optional(),
};
const pressure = (what: string) =>
  quantity(what)
    .min(0, { error: `The ${what} is below a full vacuum.` })
    .max(2e7, { error: `The ${what} is above 200 bar. Check the unit.` });

/** What can happen to a cylinder beside what goes in and out. */
export const newCylinderEvent = z.discriminatedUnion('what', [
  z.strictObject({
    ...base,
    what: z.literal('evacuated'),
    /** Absolute, after it has held; 500 microns are 67 Pa. */
    pressurePa: pressure('vacuum').max(1000, {
      error: 'That is no vacuum a cylinder can be filled from: evacuate below 7500 microns, better 500.',
    }),
    gauge: name('gauge'),
    typed: typed.optional(),
  }),
  z.strictObject({ ...base, what: z.literal('relabelled'), refrigerant: refrigerantId.nullable(), kind: cylinderKind }),
  z.strictObject({ ...base, what: z.literal('moved'), place }),
  z.strictObject({ ...base, what: z.literal('requalified'), stamp: stampMonth }),
  z.strictObject({
    ...base,
    what: z.literal('tare-weighed'),
    tareKg: massKg('tare').positive({ error: 'The tare is 0. Weigh it empty.' }),
    typed: typed.optional(),
  }),
  z.strictObject({
    ...base,
    what: z.literal('air-checked'),
    pressurePa: pressure('pressure'),
    temperatureK: temperatureK('shell temperature'),
    gaugePa: quantity('accuracy of the gauge')
      .min(100, { error: 'No gauge is better than 1 mbar.' })
      .max(2e5, { error: 'Such a gauge tells nothing.' }),
    thermometerK: quantity('accuracy of the thermometer')
      .min(0.01, { error: 'No thermometer is that good.' })
      .max(5, { error: 'Such a thermometer tells nothing.' }),
  }),
  z.strictObject({ ...base, what: z.literal('described'), marks: cylinderMarks }),
  z.strictObject({ ...base, what: z.literal('retired'), reason: name('reason') }),
]);
export type NewCylinderEvent = z.infer<typeof newCylinderEvent>;

export const cylinderEventKinds = [
  'evacuated',
  'relabelled',
  'moved',
  'requalified',
  'tare-weighed',
  'air-checked',
  'described',
  'retired',
] as const;

/** As it is kept: what was sent, and what the server computed from it. */
export const cylinderEvent = z.strictObject({
  id,
  what: z.enum(cylinderEventKinds),
  detail: z.record(z.string(), z.unknown()),
  happenedAt: instant,
  recordedAt: instant,
  recordedBy: z.string(),
  note: z.string().nullable(),
});
export type CylinderEvent = z.infer<typeof cylinderEvent>;
