import { methods } from '@hygromet/core/planning/method';
import { HIGHEST_READING } from '@hygromet/core/readings/gauge-range';
import * as z from 'zod';
import { look } from './look';
import { aboveVacuumPa, ambientAsked, ambientRead, isAmbientSure, note, plainText, quantity, versionSeen } from './primitives';

/** What was decided at the unit, and from which facts. */
export const visitPlan = z
  .strictObject({
    method: z.enum(methods),
    /** What the table of reasons proposed; another method carries its reason. */
    proposed: z.enum(methods).nullable(),
    why: note,
    failed: plainText.max(80),
    /** Whether the compressor burnt out: what comes out of the system is kept apart. */
    burntOut: z.boolean().optional(),
    ...ambientRead,
    standingPa: quantity('standing pressure').nullable(),
    /** What was seen that the plan rests on. */
    look: look.optional(),
    /** Version of the system's facts that the plan rests on. */
    factsVersion: versionSeen,
  })
  .refine(isAmbientSure, ambientAsked);

/** As it is decided from now on: what no gauge shows is refused. What is on record already is read as it is. */
export const newVisitPlan = visitPlan.safeExtend({
  standingPa: aboveVacuumPa('standing pressure')
    .max(HIGHEST_READING, { error: 'The standing pressure is above 3000 psig: check the digits and the unit.' })
    .nullable(),
});
export type VisitPlan = z.infer<typeof visitPlan>;
