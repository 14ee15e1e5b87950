import * as z from 'zod';
import { newCylinder } from './cylinder';
import { name } from './primitives';
import { newSystem } from './system';

const MOST_ROWS_COUNT = 10_000;

/** Rows of a file: all of them are taken, or none. With `tryOnly` it is told what would happen, and nothing is kept. */
const importOf = <T extends z.ZodType>(row: T) =>
  z.strictObject({
    rows: z
      .array(row)
      .min(1, { error: 'The file holds no rows.' })
      .max(MOST_ROWS_COUNT, { error: `At most ${MOST_ROWS_COUNT} rows at a time.` }),
    tryOnly: z.boolean(),
    recordedBy: name('name of the person'),
  });

export const systemsImport = importOf(newSystem);
export type SystemsImport = z.infer<typeof systemsImport>;
export const cylindersImport = importOf(newCylinder);
export type CylindersImport = z.infer<typeof cylindersImport>;

export const rowOutcome = z.strictObject({
  /** Place in the list that was sent, from 0. */
  row: z.int(),
  outcome: z.enum(['added', 'changed', 'unchanged', 'refused']),
  /** Why it was refused. */
  detail: z.string().optional(),
});
export type RowOutcome = z.infer<typeof rowOutcome>;

export const importAnswer = z.strictObject({ kept: z.boolean(), outcomes: z.array(rowOutcome) });
export type ImportAnswer = z.infer<typeof importAnswer>;
