import * as z from 'zod';
import { questions } from './asked-back';
import { sentence } from './sentence';

/** Every code an answer can carry, so that an interface can act on it. */
export const problemCodes = [
  'invalid-input',
  'not-found',
  'unknown-refrigerant',
  'bad-composition',
  'out-of-range',
  'not-a-number',
  'unreadable',
  'no-two-phase-state',
  'liquid-parts',
  'no-convergence',
  'no-steady-state',
  'no-fill-limit',
  'got-lighter',
  'below-tare',
  'more-than-fits',
  'collar-unusual',
  'would-mix',
  'reason-missing',
  'content-unknown',
  'other-visit',
  'not-empty',
  'difference-open',
  ...questions,
  'got-heavier',
  'key-reused',
  'already-reversed',
  'reversal-of-reversal',
  'name-taken',
  'changed-meanwhile',
  'method-not-possible',
  'unknown-gateway',
  'foreign',
  'too-large',
  'unavailable',
  'internal',
] as const;
export type ProblemCode = (typeof problemCodes)[number];

/** One field that is wrong: a JSON pointer into the request and a sentence. */
export const fieldProblem = z.strictObject({ pointer: z.string(), detail: z.string() });

/** RFC 9457 problem details, with a stable code and the fields at fault. */
export const problem = z.strictObject({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string(),
  /** The same with its quantities apart, where it has any. */
  sentence: sentence.optional(),
  code: z.enum(problemCodes),
  requestId: z.string(),
  errors: z.array(fieldProblem).optional(),
});
export type Problem = z.infer<typeof problem>;
