import type { Sentence } from '@hygromet/contract/sentence';
import type { Problem, ProblemCode } from '@hygromet/contract/problem';
import { CoreError } from '@hygromet/core/errors';
import type { Context } from 'hono';
import { HTTPException } from 'hono/http-exception';
import type { ContentfulStatusCode } from 'hono/utils/http-status';
import pg from 'pg';
import type { Logger } from 'pino';
import { DomainError, domainErrorOf } from '../domain/domain-error';
import { isConnectionLost } from '../store/connection-lost';
import type { Env } from './env';

/** The one table from code to status; a code without a row does not compile. */
export const statusOf = {
  'invalid-input': 422,
  'not-found': 404,
  'unknown-refrigerant': 422,
  'bad-composition': 422,
  'out-of-range': 422,
  'not-a-number': 422,
  unreadable: 422,
  'no-two-phase-state': 422,
  'liquid-parts': 422,
  'no-convergence': 500,
  'no-steady-state': 422,
  'no-fill-limit': 422,
  'got-lighter': 422,
  'below-tare': 422,
  'more-than-fits': 422,
  'would-mix': 409,
  'reason-missing': 422,
  'content-unknown': 422,
  'other-visit': 409,
  'difference-open': 409,
  'perhaps-twice': 409,
  'ledger-differs': 409,
  'clock-off': 409,
  'collar-unusual': 409,
  'not-empty': 409,
  'got-heavier': 422,
  'key-reused': 409,
  'already-reversed': 409,
  'reversal-of-reversal': 409,
  'name-taken': 409,
  'changed-meanwhile': 409,
  'method-not-possible': 409,
  'unknown-gateway': 401,
  foreign: 403,
  'too-large': 413,
  unavailable: 503,
  internal: 500,
} satisfies Record<ProblemCode, ContentfulStatusCode>;

/** Rules that PostgreSQL holds, in words. */
const constraintProblems: Record<string, { code: ProblemCode; detail: string }> = {
  account_name_is_taken: { code: 'name-taken', detail: 'This name is taken. Choose another, or open the one that is there.' },
  movement_reversed_once: { code: 'already-reversed', detail: 'This entry was reversed before. Check the ledger.' },
  movement_key_used_once: {
    code: 'key-reused',
    detail: 'This was sent before with other content, and is booked once. Check the ledger.',
  },
};

interface Said {
  readonly code: ProblemCode;
  readonly detail: string;
  readonly sentence?: Sentence;
  readonly errors?: { pointer: string; detail: string }[];
}

function saidBy(error: unknown): Said | undefined {
  if (isConnectionLost(error)) return UNAVAILABLE;
  if (error instanceof CoreError) return saidByHouse(domainErrorOf(error));
  if (error instanceof DomainError) return saidByHouse(error);
  if (error instanceof pg.DatabaseError && error.constraint !== undefined) return constraintProblems[error.constraint];
  if (error instanceof pg.DatabaseError && error.code?.startsWith(DATA_EXCEPTION) === true) return NOT_KEEPABLE;
  if (error instanceof HTTPException && error.status < 500) return { code: 'invalid-input', detail: 'The request body is not JSON.' };
  return undefined;
}

const saidByHouse = ({ code, message, sentence, pointer }: DomainError): Said => ({
  code,
  detail: message,
  ...(sentence === undefined ? {} : { sentence }),
  ...(pointer === undefined ? {} : { errors: [{ pointer, detail: message }] }),
});

/** Class 22 of the SQL standard: a value that no column of that type can hold. */
const DATA_EXCEPTION = '22';
const NOT_KEEPABLE: Said = {
  code: 'invalid-input',
  detail:
    'Something of it cannot be kept: a date before the calendar, a number too large, or a letter that is none. Nothing was stored. Type it again.',
};

/** Nothing of it was stored: a transaction that was cut off is undone, and a booking may be sent again with its key. */
const UNAVAILABLE: Said = {
  code: 'unavailable',
  detail: 'The database does not answer at the moment. Nothing was stored halfway: try again in a few seconds.',
};
/** Seconds: an outage of the database is over by then as a rule. */
const RETRY_AFTER = '2';

const INTERNAL: Said = {
  code: 'internal',
  detail: 'Something failed here. Nothing was stored halfway; try again, and quote the request id if it stays.',
};

/** Every error as problem details (RFC 9457). What nobody has foreseen is logged with its request id and told without its insides. */
export function problemOf(error: unknown, c: Context<Env>, log: Logger): Response {
  const said = saidBy(error) ?? INTERNAL;
  if (statusOf[said.code] >= 500) log.error({ err: error, requestId: c.var.requestId }, 'request failed');
  return problemAnswer(c, said);
}

export function problemAnswer(c: Context<Env>, said: Said): Response {
  const status = statusOf[said.code];
  const body: Problem = {
    type: `/problems/${said.code}`,
    title: said.code.replaceAll('-', ' '),
    status,
    detail: said.detail,
    ...(said.sentence === undefined ? {} : { sentence: said.sentence }),
    code: said.code,
    requestId: c.var.requestId,
    ...(said.errors === undefined ? {} : { errors: said.errors }),
  };
  return c.body(JSON.stringify(body), status, {
    'content-type': 'application/problem+json',
    ...(said.code === 'unavailable' ? { 'retry-after': RETRY_AFTER } : {}),
  });
}

/** There is no such way into the server. */
export const nothingHere = (c: Context<Env>): Response =>
  problemAnswer(c, { code: 'not-found', detail: `There is no ${c.req.method} ${c.req.path}. See /api/docs.` });
