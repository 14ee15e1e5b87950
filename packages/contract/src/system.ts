import { tubeSizes } from '@hygromet/core/circuit/line-set';
import { recordFacts, waysKnown } from '@hygromet/core/circuit/evidence';
import { fittedStates, optionalParts, parts, valves, valveStates } from '@hygromet/core/circuit/part';
import { partsWithVolume } from '@hygromet/core/circuit/part-volume';
import { condenserCoolings, portChoices, systemKinds } from '@hygromet/core/circuit/system-kind';
import { compressorTypes } from '@hygromet/core/planning/job-conditions';
import { STANDARD_ATMOSPHERE } from '@hygromet/core/units/pressure';
import * as z from 'zod';
import { id, instant, name, note, quantity, refrigerantId, typed, versionSeen, volumeM3, weighedKg } from './primitives';

export const systemKind = z.enum(systemKinds);
export type SystemKind = z.infer<typeof systemKind>;

const tube = z.enum(tubeSizes);
const length = (what: string) =>
  quantity(what)
    .min(0, { error: `The ${what} is below 0.` })
    .max(500, { error: `The ${what} is above 500 m. Check the unit.` });

const gauge = (what: string) =>
  quantity(what)
    .min(-Number(STANDARD_ATMOSPHERE), { error: `The ${what} is below a full vacuum.` })
    .max(4e7, { error: `The ${what} is above 400 bar. Check the unit.` });

/** A volume of a part that somebody measured or read from its plate; what is not here is estimated. */
export const partVolume = z.strictObject({ m3: volumeM3, known: z.enum(['measured', 'plate']), typed: typed.optional() });

/** How a fact is known: by whom, and since when. */
export const evidence = z.strictObject({ how: z.enum(waysKnown), by: name('name of the person'), at: instant });
export type Evidence = z.infer<typeof evidence>;

/** What the register knows of a circuit beyond its kind. Everything may be absent: then it is as that kind of system usually is. */
export const systemFacts = z.strictObject({
  compressor: z.enum(compressorTypes).optional(),
  ports: z.enum(portChoices).optional(),
  /** Parts that not every system of its kind has. */
  fitted: z.partialRecord(z.enum(optionalParts), z.enum(fittedStates)).optional(),
  condenserCooling: z.enum(condenserCoolings).optional(),
  valves: z.partialRecord(z.enum(valves), z.enum(valveStates)).optional(),
  volumes: z.partialRecord(z.enum(partsWithVolume), partVolume).optional(),
  lineSet: z
    .strictObject({
      lengthM: length('length of the line set'),
      coveredM: length('length that the plate covers'),
      liquid: tube,
      suction: tube,
    })
    .optional(),
  switches: z
    .strictObject({
      low: z.enum(['none', 'fitted']).optional(),
      /** Pa above the atmosphere at which they open. */
      lowOpensPa: gauge('pressure at which the low-pressure switch opens').optional(),
      lowTyped: typed.optional(),
      highOpensPa: gauge('pressure at which the high-pressure switch opens').optional(),
      highTyped: typed.optional(),
    })
    .optional(),
  /** Of a multi-split, each a branch with its own valve. */
  indoorUnits: z
    .int({ error: 'Count the indoor units in whole numbers.' })
    .min(1, { error: 'At least one indoor unit.' })
    .max(64, { error: 'At most 64 indoor units.' })
    .optional(),
  /** Pressure limits of single components, as read from their plates. */
  limits: z
    .array(
      z.strictObject({
        what: name('component'),
        part: z.enum(parts),
        gaugePa: gauge('pressure limit').positive({ error: 'A pressure limit is above 0. Read it from the component.' }),
        typed: typed.optional(),
      }),
    )
    .max(40, { error: 'At most 40 components.' })
    .optional(),
  /** What the last person left written on the unit. */
  written: note.optional(),
  /** How each of the facts above is known, and each that is as such a kind usually is; what is not here nobody has seen. */
  known: z.partialRecord(z.enum(recordFacts), evidence).optional(),
});
export type SystemFacts = z.infer<typeof systemFacts>;

export const newSystem = z.strictObject({
  key: id,
  site: name('site'),
  name: name('name of the system'),
  kind: systemKind,
  refrigerant: refrigerantId,
  nameplateKg: weighedKg('nameplate charge', 'The nameplate charge is 0. Read it from the plate.'),
  nameplateTyped: typed.optional(),
  facts: systemFacts.optional(),
});
export type NewSystem = z.infer<typeof newSystem>;

/** Facts changed by somebody who had seen this version of them. */
export const savedFacts = z.strictObject({ version: versionSeen, facts: systemFacts, recordedBy: name('name of the person') });
export type SavedFacts = z.infer<typeof savedFacts>;

export const system = z.strictObject({
  id,
  site: z.string(),
  name: z.string(),
  kind: systemKind,
  refrigerant: z.string(),
  nameplateKg: z.number(),
  nameplateTyped: typed.nullable(),
  /** What the ledger says is in it: nameplate less what was taken out, plus what went in. */
  contentKg: z.number(),
  /** More came out than was in it, kg: charge that nobody booked, or another plate. */
  overdrawnByKg: z.number().nullable(),
  facts: systemFacts,
  /** Rises with every change of the facts. */
  version: z.int(),
  changedAt: instant.nullable(),
  changedBy: z.string().nullable(),
});
export type System = z.infer<typeof system>;

/** One state of a system's facts: the first as it was registered, each later one with who changed it. */
export const factsChange = z.strictObject({ version: z.int(), facts: systemFacts, changedAt: instant, changedBy: z.string() });
export type FactsChange = z.infer<typeof factsChange>;
