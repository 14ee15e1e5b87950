import { methods } from '@hygromet/core/planning/method';
import * as z from 'zod';
import { look } from './look';
import { ambientAsked, ambientRead, isAmbientSure, note, plainText, pressurePa, quantity, versionSeen } from './primitives';

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
export const newVisitPlan = visitPlan.safeExtend({ standingPa: pressurePa('standing pressure').nullable() });
export type VisitPlan = z.infer<typeof visitPlan>;
