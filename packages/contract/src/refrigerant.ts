import * as z from 'zod';
import { composition } from './primitives';

export const refrigerantSummary = z.strictObject({
  id: z.string(),
  kind: z.enum(['pure', 'blend']),
  composition,
  safetyGroup: z.string().nullable(),
  flammable: z.boolean(),
  gwpAr4: z.number().nullable(),
  modelQuality: z.enum(['published', 'fitted', 'estimated']),
});
export type RefrigerantSummary = z.infer<typeof refrigerantSummary>;
