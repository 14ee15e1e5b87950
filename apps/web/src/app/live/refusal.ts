import { HttpErrorResponse } from '@angular/common/http';
import type { Problem, ProblemCode } from '@hygromet/contract/problem';

/** A request that the server refused, or that never reached it; the message is a sentence for the person. */
export class Refusal extends Error {
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

export function refusalOf(error: unknown): Refusal {
  if (error instanceof HttpErrorResponse) {
    const body: unknown = error.error;
    if (isProblem(body))
      return new Refusal(body.code, body.detail, Object.fromEntries((body.errors ?? []).map(({ pointer, detail }) => [pointer, detail])));
  }
  return new Refusal('offline', 'The server did not answer. What you typed is kept on this device: try again when there is a connection.');
}
