import { fillRules } from '@hygromet/core/cylinder/fill-rule';
import { stamps } from '@hygromet/core/cylinder/cylinder-rating';
import { ports } from '@hygromet/core/cylinder/port';
import { budgetTerms } from '@hygromet/core/cylinder/stop-weight';
import * as z from 'zod';
import { composition, massKg, quantity, refrigerantId, stampedPa, temperatureK, volumeM3 } from './primitives';

export const fillRule = z.enum(fillRules as readonly [(typeof fillRules)[number], ...(typeof fillRules)[number][]]); // zod wants to see that it is not empty

const share = (what: string) =>
  quantity(what)
    .min(0, { error: `The ${what} is negative. A share is 0 or more.` })
    .max(0.5, { error: `The ${what} is above 50 %. Give a share, such as 0.03.` });

/** A refrigerant by its designation or its mass fractions, and how much of it comes where that is known. */
const incoming = z
  .strictObject({
    refrigerant: refrigerantId.optional(),
    composition: composition.optional(),
    massKg: massKg('mass that comes in').optional(),
    /** How it leaves the system: its vapour alone is another mixture. Absent: the worse of both. */
    port: z.enum(ports).optional(),
  })
  .refine((body) => (body.refrigerant === undefined) !== (body.composition === undefined), {
    path: ['refrigerant'],
    error: 'Give either a refrigerant or a composition.',
  });

/** A cylinder in front of the scale. `refrigerant` may be replaced by `composition`, mass fractions by substance, or by `unknown`. */
export const fillLimitsRequest = z
  .strictObject({
    refrigerant: refrigerantId.optional(),
    composition: composition.optional(),
    /** Nobody knows what is in it, or what comes. */
    unknown: z.boolean().optional(),
    volumeM3,
    tareKg: massKg('tare'),
    contentKg: massKg('content'),
    hottestK: temperatureK('hottest temperature').optional(),
    stamp: z.enum(stamps, { error: 'The stamp is "us" or "un".' }).optional(),
    servicePressurePa: stampedPa('service pressure').optional(),
    testPressurePa: stampedPa('test pressure').optional(),
    /** By mass, of what comes in; 3 % where it is absent, as recovered refrigerant carries it. */
    oilShare: share('share of oil').optional(),
    /** Of its vapour at 25 °C, by volume, where it was measured or is known. */
    airShare: share('share of air').optional(),
    incoming: incoming.optional(),
  })
  .refine(
    (body) => [body.refrigerant, body.composition, body.unknown === true || undefined].filter((entry) => entry !== undefined).length === 1,
    {
      path: ['refrigerant'],
      error: 'Give either a refrigerant or a composition, or say that it is unknown.',
    },
  );
export type FillLimitsRequest = z.infer<typeof fillLimitsRequest>;

const basis = z.strictObject({
  what: z.string(),
  share: z.number(),
  densityKgPerM3: z.number(),
  temperatureK: z.number().optional(),
  netKg: z.number(),
  formula: z.string(),
});

export const fillLimit = z.strictObject({
  rule: fillRule,
  name: z.string(),
  netKg: z.number(),
  grossKg: z.number(),
  /** Negative where more than that is in the cylinder already. */
  mayAddKg: z.number(),
  required: z.boolean(),
  formula: z.string(),
  source: z.string(),
  bases: z.array(basis),
});
export type FillLimit = z.infer<typeof fillLimit>;

export const fillLimitsAnswer = z.strictObject({
  limits: z.array(fillLimit),
  ruling: fillRule,
  /** The reading at which the valve is shut: the ruling limit less its budget. */
  stopGrossKg: z.number(),
  /** Until then; negative where more is in it. */
  mayAddKg: z.number(),
  /** What lies between the ruling limit and the stop, and how much each takes of it. */
  budget: z.array(z.strictObject({ term: z.enum(budgetTerms), kg: z.number() })),
  /** Filled to the stop, at the hottest place (131 °F where none was named), with its air: 1.5 % where nobody looked. Absolute. */
  pressureAtHottestPa: z.number().nullable(),
  /** Where the last bubble goes, filled to the stop; null where it never fills. */
  liquidFullK: z.number().nullable(),
  /** Whether its pressure class bears the content; null while no stamped pressure is given. */
  classSuits: z.boolean().nullable(),
  /** Whether the densities rest on a pair of substances that nobody has published. */
  estimated: z.boolean(),
});
export type FillLimitsAnswer = z.infer<typeof fillLimitsAnswer>;
