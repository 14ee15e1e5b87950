import * as z from 'zod';
import { composition, id } from './primitives';

export const accountKinds = ['system', 'cylinder', 'hoses', 'supplier', 'reclaimer', 'air', 'unexplained'] as const;
export const accountKind = z.enum(accountKinds);
export type AccountKind = z.infer<typeof accountKind>;

/** An account and what its movements sum to. Outside accounts (supplier, air …) run negative: they count what came from there. */
export const account = z.strictObject({
  id,
  kind: accountKind,
  name: z.string(),
  massKg: z.number(),
  /** Composition by mass of what is on it; absent where nothing is. */
  composition: composition.nullable(),
  movements: z.int(),
});
export type Account = z.infer<typeof account>;
