import { HttpErrorResponse } from '@angular/common/http';
import { sentenceText, type Wording } from '@hygromet/contract/sentence';
import type { Problem, ProblemCode } from '@hygromet/contract/problem';

/** A request that the server refused, or that never reached it; the message is a sentence for the person. */
export class ApiError extends Error {
  constructor(
    readonly code: ProblemCode | 'offline',
    sentence: string,
    /** Sentences by field, the field as a JSON pointer. */
    readonly fields: Readonly<Record<string, string>> = {},
  ) {
    super(sentence);
  }
}

const isProblem = (body: unknown): body is Problem => typeof body === 'object' && body !== null && 'code' in body && 'detail' in body;

/** @param wording how quantities become words on this device */
export function apiErrorOf(error: unknown, wording: () => Wording): ApiError {
  if (error instanceof HttpErrorResponse) {
    const body: unknown = error.error;
    if (isProblem(body)) {
      const message = body.sentence === undefined ? body.detail : sentenceText(body.sentence, wording());
      // what is said of a field alone is the same sentence
      const fields = (body.errors ?? []).map(({ pointer, detail }) => [pointer, detail === body.detail ? message : detail] as const);
      return new ApiError(body.code, message, Object.fromEntries(fields));
    }
  }
  return new ApiError(
    'offline',
    $localize`The server did not answer. What you typed is kept on this device: try again when there is a connection.`,
  );
}
