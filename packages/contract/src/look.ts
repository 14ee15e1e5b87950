import { purposes, THING, type Thing } from '@hygromet/core/circuit/opened';
import { valves, valveStates } from '@hygromet/core/circuit/part';
import { sidesRead } from '@hygromet/core/planning/as-found';
import { coolings, machineBuilts, machineClasses } from '@hygromet/core/planning/equipment';
import { methods } from '@hygromet/core/planning/method';
import { compressorStates, coolingStates, meteringStates, waterStates } from '@hygromet/core/planning/job-conditions';
import { acidFindings, destinations } from '@hygromet/core/planning/reuse';
import * as z from 'zod';
import { note, plainText } from './primitives';

/** A reading as it was typed, with its unit: what nobody has measured is empty. */
const entry = z.strictObject({ text: plainText.max(40), unit: plainText.max(12), ounces: plainText.max(12).optional() });

const foundOfValves = Object.fromEntries(valves.map((valve) => [valve, z.enum(valveStates)])) as Record<
  (typeof valves)[number],
  z.ZodEnum<{ [state in (typeof valveStates)[number]]: state }>
>; // one for each valve

/** Anything of the circuit, `unknown`, or `none` where it is only to be emptied. */
const failed = z
  .union([z.enum(['unknown', 'none']), z.string().max(80).regex(THING, { error: 'Name a part, valve, joint or port of the circuit.' })])
  .meta({ description: 'Anything of the circuit, unknown, or none where it is only to be emptied.' }) as z.ZodType<
  Thing | 'unknown' | 'none'
>; // the pattern names things

/** What was seen on arriving, as far as it was said; each change is kept by itself, so that two people write into one look. */
export const look = z
  .strictObject({
    ambient: entry,
    /** It is beyond any usual weather, and was read again. */
    ambientConfirmed: z.boolean(),
    standing: entry,
    sides: z.enum(sidesRead),
    /** What somebody says is missing, as it was typed. */
    short: entry,
    purpose: z.enum(purposes),
    failed,
    compressor: z.enum(compressorStates),
    metering: z.enum(meteringStates),
    coolingMode: z.enum(coolingStates),
    /** As earlier versions kept it; it says nothing any more. */
    heldInCooling: z.boolean(),
    water: z.enum(waterStates),
    /** What was found of the valves on this visit; what is not here is as the record has it. */
    ...foundOfValves,
    majorRepair: z.boolean(),
    leaks: z.boolean(),
    shaded: z.boolean(),
    machine: z.enum(machineClasses),
    cores: z.enum(['in', 'out']),
    hoses: z.enum(['quarter-inch', 'three-eighths']),
    cooling: z.enum(coolings),
    built: z.enum(machineBuilts),
    /** Where the recovered refrigerant goes, and what a test of its acid has found. */
    destination: z.enum(destinations),
    acid: z.enum(acidFindings),
    acidTest: plainText.max(80),
    method: z.enum(methods).nullable(),
    why: note,
  })
  .partial();
export type Look = z.infer<typeof look>;
