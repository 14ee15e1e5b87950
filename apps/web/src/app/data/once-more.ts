import { HttpErrorResponse } from '@angular/common/http';
import { throwError, timer, type Observable } from 'rxjs';

/** Pauses before a request is sent again, ms: together longer than any outage that the server comes back from by itself. */
const PAUSES_MS = [500, 1000, 2000, 3000, 4000];

/** No answer, or the database was not there: nothing was decided. */
const isOutage = (error: unknown): boolean => error instanceof HttpErrorResponse && (error.status === 0 || error.status === 503);

/**
 * Sends again what may be sent again: a question, and a booking with its key, which is booked once however often it comes. Anything else is
 * left to the person.
 */
export const onceMore = (error: unknown, attempt: number): Observable<unknown> => {
  const pause = PAUSES_MS[attempt - 1];
  return pause !== undefined && isOutage(error) ? timer(pause) : throwError(() => error);
};

export const maySendAgain = (method: string, body: unknown): boolean =>
  method === 'GET' || (typeof body === 'object' && body !== null && 'key' in body);
