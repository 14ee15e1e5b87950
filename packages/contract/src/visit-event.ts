import { cleaningSteps, refrigerantTests, testResults } from '@hygromet/core/account/refrigerant-tests';
import { jointChecks, jointFindings } from '@hygromet/core/circuit/joints';
import { marks, stages } from '@hygromet/core/visit/stage';
import * as z from 'zod';
import { clockTime, day, id, instant, massKg, name, note, plainText, versionSeen } from './primitives';
import { chargeNote } from './charge-note';
import { look } from './look';
import { photographed } from './photograph';
import { advices, runningConditions, runningReadings, runningUnit } from './running';
import { newVisitPlan, visitPlan } from './visit-plan';
import { anySetUp, followedInstruments, followedReadings, testFinding, testReading, testSetUp } from './visit-test';
import { transferFinish, transferNote, transferReading, transferSetUp } from './visit-transfer';

export const stage = z.enum(stages);

/** When somebody is expected, by the clock on the wall of the site, and who goes; either may still be open. */
export const appointment = { time: clockTime.optional(), person: name('name of the person').optional() };

/** What was found at a place that can leak. */
const jointChecked = { joint: plainText.min(1).max(160), check: z.enum(jointChecks), finding: z.enum(jointFindings) };

/** A sample of what was recovered, tested with a kit or by a laboratory. */
const refrigerantTested = { test: z.enum(refrigerantTests), result: z.enum(testResults), kit: plainText.trim().max(60) };
/** What was done to it since; of a purge, what left with it. */
const cleaned = { step: z.enum(cleaningSteps), massKg: massKg('purged mass').max(1000).optional() };

/** A running unit as it was read, with what was said of it. */
export const ran = {
  unit: runningUnit.omit({ refrigerant: true, composition: true }),
  conditions: runningConditions,
  readings: runningReadings,
  settled: z.boolean(),
  /** Charged by weight, and it runs well: the next check learns from it. */
  good: z.boolean(),
  advice: z.enum(advices),
  chargeShare: z.number().min(0).max(5).nullable(),
  coreVersion: plainText.max(40),
};

const said = {
  key: id,
  /** By the clock of the device. */
  happenedAt: instant,
  recordedBy: name('name of the person'),
};
/** What decides for others rests on what was seen: a newer state refuses it. */
const decides = { ...said, version: versionSeen };

export const newVisitEvent = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('looked'),
    ...said,
    look: look.refine((entry) => Object.keys(entry).length > 0, { error: 'Nothing was seen.' }),
  }),
  z
    .strictObject({ kind: z.literal('planned'), ...decides, plan: newVisitPlan })
    .refine(({ plan }) => plan.method === plan.proposed || plan.why.trim() !== '', {
      path: ['plan', 'why'],
      error: 'Say why the proposal is not taken: the reason is saved with the job.',
    }),
  z.strictObject({
    kind: z.literal('read'),
    ...said,
    step: plainText.min(1).max(60),
    text: plainText.trim().min(1, { error: 'Write what was read.' }).max(200, { error: 'At most 200 characters.' }),
  }),
  z
    .strictObject({ kind: z.literal('marked'), ...said, stage, mark: z.enum(marks), why: note })
    .refine(({ mark, why }) => mark !== 'not-needed' || why.trim() !== '', {
      path: ['why'],
      error: 'Say why it is not needed: the reason is saved with the job.',
    }),
  z.strictObject({ kind: z.literal('joint-checked'), ...said, ...jointChecked }),
  z.strictObject({ kind: z.literal('photographed'), ...said, ...photographed }),
  z.strictObject({ kind: z.literal('refrigerant-tested'), ...said, ...refrigerantTested }),
  z.strictObject({ kind: z.literal('cleaned'), ...said, ...cleaned }),
  z.strictObject({ kind: z.literal('test-begun'), ...said, testId: id, setUp: testSetUp }),
  z.strictObject({ kind: z.literal('test-read'), ...said, testId: id, reading: testReading }),
  z.strictObject({ kind: z.literal('test-followed'), ...said, testId: id, ...followedInstruments, readings: followedReadings }),
  z.strictObject({ kind: z.literal('test-ended'), ...said, testId: id, finding: testFinding }),
  z.strictObject({ kind: z.literal('transfer-begun'), ...said, transferId: id, setUp: transferSetUp }),
  z.strictObject({ kind: z.literal('transfer-read'), ...said, transferId: id, reading: transferReading }),
  z.strictObject({ kind: z.literal('transfer-noted'), ...said, transferId: id, note: transferNote }),
  z.strictObject({ kind: z.literal('transfer-ended'), ...said, transferId: id, finish: transferFinish }),
  z.strictObject({ kind: z.literal('charge-noted'), ...said, note: chargeNote }),
  z.strictObject({ kind: z.literal('ran'), ...said, ...ran }),
  z.strictObject({ kind: z.literal('moved'), ...decides, day, ...appointment }),
  z.strictObject({ kind: z.literal('closed'), ...decides, /** Where nothing was recorded: why. */ why: note.optional() }),
  z.strictObject({
    kind: z.literal('reopened'),
    ...said,
    why: note.refine((text) => text.trim() !== '', { error: 'Say why it is opened again.' }),
  }),
]);
export type NewVisitEvent = z.infer<typeof newVisitEvent>;

/** The first event of every visit is its opening. */
const opened = z.strictObject({ kind: z.literal('opened'), system: id, day, reason: z.string(), ...appointment });

const kept = { happenedAt: instant, recordedAt: instant, recordedBy: z.string(), sequence: z.int() };
export const visitEvent = z.discriminatedUnion('kind', [
  opened.extend(kept),
  z.strictObject({ kind: z.literal('looked'), look, ...kept }),
  z.strictObject({ kind: z.literal('planned'), plan: visitPlan, ...kept }),
  z.strictObject({ kind: z.literal('read'), step: z.string(), text: z.string(), ...kept }),
  z.strictObject({ kind: z.literal('marked'), stage, mark: z.enum(marks), why: z.string(), ...kept }),
  z.strictObject({ kind: z.literal('joint-checked'), ...jointChecked, ...kept }),
  z.strictObject({ kind: z.literal('photographed'), ...photographed, ...kept }),
  z.strictObject({ kind: z.literal('refrigerant-tested'), ...refrigerantTested, ...kept }),
  z.strictObject({ kind: z.literal('cleaned'), ...cleaned, ...kept }),
  z.strictObject({ kind: z.literal('test-begun'), testId: id, setUp: anySetUp, ...kept }),
  z.strictObject({ kind: z.literal('test-read'), testId: id, reading: testReading, ...kept }),
  z.strictObject({ kind: z.literal('test-followed'), testId: id, ...followedInstruments, readings: followedReadings, ...kept }),
  z.strictObject({ kind: z.literal('test-ended'), testId: id, finding: testFinding, ...kept }),
  z.strictObject({ kind: z.literal('transfer-begun'), transferId: id, setUp: transferSetUp, ...kept }),
  z.strictObject({ kind: z.literal('transfer-read'), transferId: id, reading: transferReading, ...kept }),
  z.strictObject({ kind: z.literal('transfer-noted'), transferId: id, note: transferNote, ...kept }),
  z.strictObject({ kind: z.literal('transfer-ended'), transferId: id, finish: transferFinish, ...kept }),
  z.strictObject({ kind: z.literal('charge-noted'), note: chargeNote, ...kept }),
  z.strictObject({ kind: z.literal('ran'), ...ran, ...kept }),
  z.strictObject({ kind: z.literal('moved'), day, ...appointment, ...kept }),
  z.strictObject({ kind: z.literal('closed'), why: z.string().optional(), ...kept }),
  z.strictObject({ kind: z.literal('reopened'), why: z.string(), ...kept }),
]);
export type VisitEvent = z.infer<typeof visitEvent>;
