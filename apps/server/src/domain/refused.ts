import type { ProblemCode } from '@hygromet/contract/problem';

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
