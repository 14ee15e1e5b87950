import { cylinderKinds } from '@hygromet/core/cylinder/cylinder-kind';
import { stamps } from '@hygromet/core/cylinder/cylinder-rating';
import { testedAbove } from '@hygromet/core/cylinder/test-pressure';
import * as z from 'zod';
import { fillRule } from './fill-limits';
import { places } from './places';
import {
  composition,
  id,
  instant,
  massKg,
  name,
  plainText,
  quantity,
  refrigerantId,
  stampedPa,
  stampMonth,
  stampRead,
  typed,
  volumeM3,
  weighedKg,
} from './primitives';
import { TEST_ABOVE_SERVICE } from './test-above-service';

export const place = z.enum(places, { error: `Choose one of the places: ${places.join(', ')}.` });
export type Place = z.infer<typeof place>;

export const cylinderKind = z.enum(cylinderKinds, { error: `Choose one of: ${cylinderKinds.join(', ')}.` });
export const cylinderPorts = ['liquid-and-vapour', 'one'] as const;

/** What is known of a cylinder beyond its collar's weights; it may be described anew at any time. */
export const cylinderMarks = z.strictObject({
  kind: cylinderKind,
  /** Whose refrigerant it is kept for. */
  owner: plainText.trim().max(120).optional(),
  flammableRated: z.boolean(),
  ports: z.enum(cylinderPorts),
  thread: plainText.trim().max(40).optional(),
  testPressurePa: stampedPa('test pressure').optional(),
  /** Whose rules it was built by; what is not recorded is not taken for granted. */
  stamp: z.enum(stamps).optional(),
  /** At which its relief valve opens. */
  reliefPressurePa: stampedPa('set pressure', 'valve').optional(),
  /** What hardly stands on a collar was read again, and does. */
  confirmed: z.boolean().optional(),
  /** Between two requalifications: five in the US, elsewhere as stamped. */
  validYears: z.int({ error: 'Whole years.' }).min(1, { error: 'At least 1 year.' }).max(15, { error: 'At most 15 years.' }),
});
export type CylinderMarks = z.infer<typeof cylinderMarks>;

/** What a person reads from the collar, and from the scale when something is in it. */
export const newCylinder = z
  .strictObject({
    key: id,
    name: name('number of the cylinder'),
    volumeM3,
    volumeTyped: typed.optional(),
    tareKg: weighedKg('tare', 'The tare is 0. Read "TW" from the collar.'),
    tareTyped: typed.optional(),
    servicePressurePa: quantity('service pressure')
      .min(1e5, { error: 'The service pressure is below 1 bar. Read it from the collar.' })
      .max(4e7, { error: 'The service pressure is above 400 bar. Check the unit.' }),
    serviceTyped: typed.optional(),
    requalified: stampRead,
    place,
    /** Absent: empty and evacuated. */
    refrigerant: refrigerantId.optional(),
    /** The scale, where the cylinder stands on it; its content is booked from it. */
    grossKg: massKg('gross weight').optional(),
    grossTyped: typed.optional(),
    marks: cylinderMarks.optional(),
  })
  .refine(({ marks, servicePressurePa }) => marks?.testPressurePa === undefined || testedAbove(marks.testPressurePa, servicePressurePa), {
    path: ['marks', 'testPressurePa'],
    error: TEST_ABOVE_SERVICE,
  })
  .refine((body) => body.grossKg === undefined || body.grossKg >= body.tareKg, {
    path: ['grossKg'],
    error: 'The gross weight is below the tare: read both again. The tare is stamped on the collar as TW.',
  })
  .refine((body) => body.grossKg === undefined || body.refrigerant !== undefined || body.grossKg - body.tareKg < 0.05, {
    path: ['refrigerant'],
    error: 'The scale shows something in it. Say which refrigerant, or empty and evacuate it first.',
  });
export type NewCylinder = z.infer<typeof newCylinder>;

/** How a cylinder stands with its limits, computed when it is read. */
export const fillStatus = z.discriminatedUnion('state', [
  z.strictObject({
    state: z.literal('limited'),
    ruling: fillRule,
    /** The most that may stand on the scale by the ruling limit. */
    limitGrossKg: z.number(),
    /** The reading at which the valve is shut, with usual handling: below the limit. */
    stopGrossKg: z.number(),
    /** Until the stop; negative where more is in it. */
    mayAddKg: z.number(),
    /** Share of the volume that is liquid at 77 °F; null where nobody knows what it is. */
    liquidShare77F: z.number().nullable(),
    stopShare77F: z.number().nullable(),
  }),
  z.strictObject({ state: z.literal('empty') }),
  z.strictObject({ state: z.literal('no-limit'), why: z.string() }),
]);

export const cylinderFlags = [
  'overfilled',
  'mixed',
  'pressure-rating-too-low',
  'negative-balance',
  'overdue',
  'non-condensables',
  'wrong-tare',
  'collar-unconfirmed',
  'due-soon',
  'overdue-for-return',
  'no-limit',
] as const;
export const cylinderFlag = z.enum(cylinderFlags);
export type CylinderFlag = z.infer<typeof cylinderFlag>;

export const cylinder = z.strictObject({
  id,
  name: z.string(),
  volumeM3: z.number(),
  volumeTyped: typed.nullable(),
  tareKg: z.number(),
  tareTyped: typed.nullable(),
  servicePressurePa: z.number(),
  serviceTyped: typed.nullable(),
  requalified: stampMonth,
  validThrough: stampMonth,
  place,
  /** Designation on the label; null while it is empty and evacuated. */
  refrigerant: z.string().nullable(),
  /** What is in it by the ledger; null while it is empty. */
  composition: composition.nullable(),
  contentKg: z.number(),
  evacuatedAt: instant.nullable(),
  /** The last proof of its vacuum; null where it was taken as evacuated without one. */
  vacuum: z.strictObject({ pressurePa: z.number(), gauge: z.string(), provedBy: z.string() }).nullable(),
  marks: cylinderMarks,
  /** Tare as it was weighed empty, beside the one on the collar. */
  tareWeighedKg: z.number().nullable(),
  /** Volume share of non-condensables in the vapour at the last check since it was last evacuated. */
  airShare: z.number().nullable(),
  retiredAt: instant.nullable(),
  /** When it was last weighed in beside the ledger. */
  weighedInAt: instant.nullable(),
  /** When something last went in or out. */
  lastMovedAt: instant.nullable(),
  fillStatus,
  flags: z.array(cylinderFlag),
});
export type Cylinder = z.infer<typeof cylinder>;

export const MOST_CYLINDERS_COUNT = 5000;

/** Which cylinders are wanted, in the order of their names; all of them where nothing is said. */
export const cylindersQuery = z.strictObject({
  /** Name of the last one that is known. */
  after: plainText.max(120).optional(),
  limit: z.coerce
    .number()
    .int({ error: 'A whole number of cylinders.' })
    .min(1, { error: 'At least one cylinder.' })
    .max(MOST_CYLINDERS_COUNT, { error: `At most ${MOST_CYLINDERS_COUNT} cylinders at a time; ask for more with "after".` })
    .optional(),
});
