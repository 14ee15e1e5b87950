import * as z from 'zod';
import { cylinderKind, cylinderMarks, place } from './cylinder';
import { id, instant, massKg, name, note, quantity, refrigerantId, stampRead, temperatureK, typed, weighedKg } from './primitives';

const MOST_MOVED_COUNT = 10_000;

const base = {
  key: id,
  happenedAt: instant,
  recordedBy: name('name of the person'),
  note: note.optional(),
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
  z.strictObject({ ...base, what: z.literal('requalified'), stamp: stampRead }),
  z.strictObject({
    ...base,
    what: z.literal('tare-weighed'),
    tareKg: weighedKg('tare', 'The tare is 0. Weigh it empty.'),
    typed: typed.optional(),
  }),
  z.strictObject({
    ...base,
    what: z.literal('air-checked'),
    pressurePa: pressure('pressure'),
    temperatureK: temperatureK('shell temperature'),
    gaugePa: quantity('accuracy of the gauge')
      .min(100, { error: 'No gauge is better than 1 mbar.' })
      .max(2e5, { error: 'Accuracy is too poor to be useful.' }),
    thermometerK: quantity('accuracy of the thermometer')
      .min(0.01, { error: 'No thermometer is that good.' })
      .max(5, { error: 'Accuracy is too poor to be useful.' }),
  }),
  z.strictObject({
    ...base,
    what: z.literal('weighed-in'),
    grossKg: weighedKg('gross weight', 'The scale shows nothing. Stand the cylinder on it.'),
    typed: typed.optional(),
    scaleOffKg: massKg('accuracy of the scale').max(5, { error: 'Accuracy is too poor to be useful.' }),
    /** What is done about a difference beyond the scale's accuracy: its reason is known, or it is booked as unexplained. */
    difference: z.discriminatedUnion('is', [
      z.strictObject({ is: z.literal('none') }),
      z.strictObject({ is: z.literal('explained'), reason: name('reason of the difference') }),
      z.strictObject({ is: z.literal('booked') }),
    ]),
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
  'weighed-in',
  'described',
  'retired',
] as const;

/** Several cylinders are put in one place. Each has its own key: what was sent before is not done twice. */
export const cylinderMoves = z.strictObject({
  place,
  cylinders: z
    .array(z.strictObject({ id, key: id }))
    .min(1, { error: 'Choose at least one cylinder.' })
    .max(MOST_MOVED_COUNT, { error: `At most ${MOST_MOVED_COUNT} cylinders at a time.` }),
  happenedAt: instant,
  recordedBy: name('name of the person'),
});
export type CylinderMoves = z.infer<typeof cylinderMoves>;
/** How many were elsewhere before. */
export const movedCylinders = z.strictObject({ moved: z.int() });

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
