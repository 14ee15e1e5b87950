import type { ProblemCode } from '@hygromet/contract/problem';
import { NoFillLimit, type CoreError } from '@hygromet/core/errors';

/** A request that the house refuses, with a stable code and a sentence that says what to do. */
export class Refused extends Error {
  constructor(
    readonly code: ProblemCode,
    sentence: string,
    /** JSON pointer to the field at fault. */
    readonly pointer?: string,
  ) {
    super(sentence);
  }
}

/** What the core refuses, as the house says it: with the mark that is missing, where it is one. */
export const refusedByCore = (error: CoreError): Refused =>
  new Refused(error.code, error.message, error instanceof NoFillLimit && error.missing !== undefined ? `/${error.missing}` : undefined);
