import type { Context, MiddlewareHandler, Next } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import type { Env } from './env';
import { problemAnswer } from './errors';

/** Names under which this server is reached until people have accounts: it listens on loopback alone. */
const OWN_NAMES: readonly string[] = ['127.0.0.1', 'localhost', '[::1]'];

/** Whether a Host header names this server. */
export const isOwnName = (host: string | undefined): boolean =>
  host !== undefined && URL.canParse(`http://${host}`) && OWN_NAMES.includes(new URL(`http://${host}`).hostname);

/**
 * Answers only to its own name, and to no other page than its own: a name that was pointed at this machine (DNS rebinding), and a page of
 * somebody else in the same browser, read and book nothing.
 */
export async function ownHouse(c: Context<Env>, next: Next): Promise<Response | undefined> {
  const url = new URL(c.req.url);
  if (!OWN_NAMES.includes(url.hostname))
    return problemAnswer(c, {
      code: 'foreign',
      detail: `This server does not answer to the name ${url.hostname}. Open it as ${OWN_NAMES.join(', ')}.`,
    });
  const origin = c.req.header('origin');
  const cross = c.req.header('sec-fetch-site') === 'cross-site' && c.req.path.startsWith('/api/');
  if (cross || (origin !== undefined && hostOf(origin) !== url.host))
    return problemAnswer(c, {
      code: 'foreign',
      detail: 'This was asked by another page than this application. Open the application itself.',
    });
  await next();
  return undefined;
}

/** "null" and whatever is no address belong to nobody. */
const hostOf = (origin: string): string | undefined => (URL.canParse(origin) ? new URL(origin).host : undefined);

const MEGABYTE_BYTES = 1024 * 1024;
const tooLarge = (mostMegabytes: number) =>
  bodyLimit({
    maxSize: mostMegabytes * MEGABYTE_BYTES,
    onError: (c) =>
      problemAnswer(c as Context<Env>, { code: 'too-large', detail: `That is more than ${mostMegabytes} MB. Send it in smaller parts.` }),
  });

/** A booking is a few hundred bytes; a register of thousands of rows a few megabytes. */
const USUAL = { mostMegabytes: 1, counted: tooLarge(1) };
const OF_A_REGISTER = { mostMegabytes: 8, counted: tooLarge(8) };

/**
 * A whole register may be sent at once; everything else is small. A body that says its length is no longer than it says: HTTP ends it there. Only
 * what does not say it is counted as it comes.
 */
export const bodyOfFittingSize: MiddlewareHandler = (c, next) => {
  const { mostMegabytes, counted } = c.req.path.endsWith('/import') ? OF_A_REGISTER : USUAL;
  const told = c.req.header('transfer-encoding') === undefined ? c.req.header('content-length') : undefined;
  return told !== undefined && Number(told) <= mostMegabytes * MEGABYTE_BYTES ? next() : counted(c, next);
};
