import * as z from 'zod';
import { clockTime, day, instant } from './primitives';
import { chargeNote } from './charge-note';
import { look } from './look';
import { photographed } from './photograph';
import { ran, stage } from './visit-event';
import { visitPlan } from './visit-plan';
import { visitTest } from './visit-test';
import { visitTransfer } from './visit-transfer';
import { cleaningSteps, refrigerantTests, testResults } from '@hygromet/core/account/refrigerant-tests';
import { jointChecks, jointFindings } from '@hygromet/core/circuit/joints';
import { marks } from '@hygromet/core/visit/stage';

export const visitReading = z.strictObject({ step: z.string(), text: z.string(), readAt: instant, recordedBy: z.string() });
export type VisitReading = z.infer<typeof visitReading>;

/** The state of a visit, as its events make it. */
export const visitRecord = z.strictObject({
  day,
  /** "07:40" by the clock on the wall of the site; nothing where no hour was agreed. */
  time: clockTime.nullable(),
  /** Who goes, where that was said. */
  person: z.string().nullable(),
  reason: z.string(),
  look,
  plan: visitPlan.nullable(),
  /** The last word about each stage. */
  marked: z.array(z.strictObject({ stage, mark: z.enum(marks), why: z.string(), at: instant, by: z.string() })),
  /** Added, never changed: the last reading of a step counts. */
  readings: z.array(visitReading),
  /** What was found at each place that can leak: the last word of each. */
  joints: z.array(
    z.strictObject({ joint: z.string(), check: z.enum(jointChecks), finding: z.enum(jointFindings), at: instant, by: z.string() }),
  ),
  /** In the order in which they were taken. */
  photographs: z.array(z.strictObject({ ...photographed, at: instant, by: z.string() })),
  /** Pressure and vacuum tests, in the order in which they were begun. */
  tests: z.array(visitTest),
  /** Transfers that were followed as they ran, in the order in which they were begun. */
  transfers: z.array(visitTransfer),
  /** Samples of what was recovered, each with its kit, and what was done to it, in the order in which it happened. */
  refrigerantTests: z.array(
    z.strictObject({ test: z.enum(refrigerantTests), result: z.enum(testResults), kit: z.string(), at: instant, by: z.string() }),
  ),
  cleaning: z.array(z.strictObject({ step: z.enum(cleaningSteps), massKg: z.number().nullable(), at: instant, by: z.string() })),
  /** What was called out, done and seen while it was charged, in that order. */
  chargeNotes: z.array(z.strictObject({ note: chargeNote, at: instant, by: z.string() })),
  /** The running unit, each time it was read. */
  runs: z.array(z.strictObject({ ...ran, at: instant, by: z.string() })),
  state: z.enum(['open', 'closed']),
  openedBy: z.string(),
  changedAt: instant,
  /** How many events there are: what decides for others names the one it has seen. */
  version: z.int(),
});
export type Run = z.infer<typeof visitRecord>['runs'][number];
export type VisitRecord = z.infer<typeof visitRecord>;
