import { fillRules } from '@hygromet/core/cylinder/fill-rule';
import * as z from 'zod';
import { composition, massKg, refrigerantId, temperatureK, volumeM3 } from './primitives';

export const fillRule = z.enum(fillRules as readonly [(typeof fillRules)[number], ...(typeof fillRules)[number][]]); // zod wants to see that it is not empty

/** A cylinder in front of the scale. `refrigerant` may be replaced by `composition`, mass fractions by substance. */
export const fillLimitsRequest = z
  .strictObject({
    refrigerant: refrigerantId.optional(),
    composition: composition.optional(),
    volumeM3,
    tareKg: massKg('tare'),
    contentKg: massKg('content'),
    hottestK: temperatureK('hottest temperature').optional(),
  })
  .refine((body) => (body.refrigerant === undefined) !== (body.composition === undefined), {
    path: ['refrigerant'],
    error: 'Give either a refrigerant or a composition.',
  });
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
  stopGrossKg: z.number(),
  mayAddKg: z.number(),
  /** Whether the densities rest on a pair of substances that nobody has published. */
  estimated: z.boolean(),
});
export type FillLimitsAnswer = z.infer<typeof fillLimitsAnswer>;
