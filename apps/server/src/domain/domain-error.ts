import type { ProblemCode } from '@hygromet/contract/problem';
import { inSI, sentenceText, type Sentence } from '@hygromet/contract/sentence';
import { NoFillLimit, type CoreError } from '@hygromet/core/errors';

/** A request that the house refuses, with a stable code and a sentence that says what to do. */
export class DomainError extends Error {
  /** With its quantities apart, where it has any. */
  readonly sentence: Sentence | undefined;

  constructor(
    readonly code: ProblemCode,
    sentence: string | Sentence,
    /** JSON pointer to the field at fault. */
    readonly pointer?: string,
  ) {
    super(typeof sentence === 'string' ? sentence : sentenceText(sentence, inSI));
    this.sentence = typeof sentence === 'string' ? undefined : sentence;
  }
}

/** What the core refuses, as the house says it: with the mark that is missing, where it is one. */
export const domainErrorOf = (error: CoreError): DomainError =>
  new DomainError(
    error.code,
    [...error.phrase],
    error instanceof NoFillLimit && error.missing !== undefined ? `/${error.missing}` : undefined,
  );
