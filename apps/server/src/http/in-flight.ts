import type { Context, Next } from 'hono';
import type { Env } from './env';
import { problemAnswer } from './errors';

/** More at once only wait for each other; ten connections serve them all. */
const MOST_AT_ONCE_COUNT = 200;

/** Refuses what would only wait: with a sentence, and when to come again. */
export function notTooManyAtOnce(most = MOST_AT_ONCE_COUNT) {
  let inFlight = 0;
  return async (c: Context<Env>, next: Next): Promise<Response | undefined> => {
    if (inFlight >= most)
      return problemAnswer(c, {
        code: 'unavailable',
        detail: 'The server has its hands full. Nothing was stored: try again in a few seconds.',
      });
    inFlight++;
    try {
      await next();
      return undefined;
    } finally {
      inFlight--;
    }
  };
}
