import { endpoints, type Endpoint } from '@hygromet/contract/endpoints';
import type { Context, Next } from 'hono';
import type { Env } from './env';

interface Known {
  readonly endpoint: Endpoint;
  readonly path: RegExp;
}

const known: readonly Known[] = Object.values(endpoints).map((endpoint) => ({
  endpoint,
  path: new RegExp(`^${endpoint.path.replace(/:\w+/g, '[^/]+')}$`),
}));

/**
 * Holds every good answer to the contract that it was promised by: in the tests and in development, where an answer outside of it is an error.
 * A served house does without: its people are better off with an odd answer than with none.
 */
export async function validAnswers(c: Context<Env>, next: Next): Promise<void> {
  await next();
  const promised = promiseOf(c);
  if (promised === undefined || c.res.status >= 300) return;
  const { success, error } = promised.answer.safeParse(await c.res.clone().json());
  if (!success) throw new Error(`${c.req.method} ${c.req.path} answers what its contract does not say: ${error.message}`);
}

// a fixed path comes before one with a parameter that would fit as well
const promiseOf = (c: Context<Env>): Endpoint | undefined =>
  known
    .filter(({ endpoint, path }) => endpoint.method.toUpperCase() === c.req.method && path.test(c.req.path))
    .sort((a, b) => Number(a.endpoint.path.includes(':')) - Number(b.endpoint.path.includes(':')))[0]?.endpoint;
