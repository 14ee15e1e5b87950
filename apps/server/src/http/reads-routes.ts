import { endpoints } from '@hygromet/contract/endpoints';
import type { ReadsAnswer } from '@hygromet/contract/reads';
import { Hono } from 'hono';
import { requestId } from 'hono/request-id';
import type { Env } from './env';
import { nothingHere } from './errors';
import { query } from './valid';

const { reads } = endpoints;

/**
 * Several reads in one request. Each is asked of the same routes as alone, so that it is checked, answered and refused alike; one that fails
 * takes none of the others with it. What is no JSON is not told here.
 */
export function readsRoutes(api: Hono<Env>): Hono<Env> {
  const alone = new Hono<Env>().use(requestId()).route('/', api).notFound(nothingHere);
  return new Hono<Env>().get(reads.path, query(reads.query), async (c) => {
    const headers = { 'x-request-id': c.var.requestId };
    const answers = [c.req.valid('query').of].flat().map(async (path): Promise<ReadsAnswer[number]> => {
      const answer = await alone.request(new URL(path, c.req.url), { headers });
      const isJson = answer.headers.get('content-type')?.includes('json') === true;
      return { status: answer.status, body: isJson ? await answer.json() : null };
    });
    return c.json((await Promise.all(answers)) satisfies ReadsAnswer);
  });
}
