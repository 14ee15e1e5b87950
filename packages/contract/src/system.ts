import * as z from 'zod';
import { id, massKg, name, refrigerantId, typed } from './primitives';

export const systemKinds = ['split', 'heat-pump', 'packaged', 'walk-in', 'rack', 'chiller', 'appliance'] as const;
export const systemKind = z.enum(systemKinds);
export type SystemKind = z.infer<typeof systemKind>;

export const newSystem = z.strictObject({
  key: id,
  site: name('site'),
  name: name('name of the system'),
  kind: systemKind,
  refrigerant: refrigerantId,
  nameplateKg: massKg('nameplate charge').positive({ error: 'The nameplate charge is 0. Read it from the plate.' }),
  nameplateTyped: typed.optional(),
});
export type NewSystem = z.infer<typeof newSystem>;

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
});
export type System = z.infer<typeof system>;
