import * as z from 'zod';
import { MOST_READS_COUNT } from './reads-limit';

/** Where something is read: what an endpoint of this interface answers to GET, with its query. */
const readPath = z
  .string()
  .regex(/^\/api\/(?!reads\b)[\w%.~/-]+(\?[^#\s]*)?$/, 'Each “of” is a path of this interface, as in /api/cylinders.');

/** The paths that a page reads in one turn, in order. */
export const readsQuery = z.strictObject({
  of: z
    .union([readPath, z.array(readPath)])
    .refine(
      (of) => typeof of === 'string' || of.length <= MOST_READS_COUNT,
      `At most ${MOST_READS_COUNT} reads go together: ask again for the rest.`,
    ),
});

/** What each of them would have answered alone, in the same order. */
export const readsAnswer = z.array(z.strictObject({ status: z.int(), body: z.unknown() }));
export type ReadsAnswer = z.infer<typeof readsAnswer>;
