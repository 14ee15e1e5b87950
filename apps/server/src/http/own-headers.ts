import { Hono, type MiddlewareHandler } from 'hono';
import { secureHeaders } from 'hono/secure-headers';
import type { Env } from './env';
import { isPartOfPage } from './hashed-name';

const SECURE = secureHeaders({
  contentSecurityPolicy: {
    defaultSrc: ["'self'"],
    // the solver of the truck is WebAssembly
    scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
    styleSrc: ["'self'", "'unsafe-inline'"],
    imgSrc: ["'self'", 'data:'],
    workerSrc: ["'self'"],
  },
});

/** What still means something beside a part of a page: its page has said the rest, and each of sixty parts would cost 600 bytes. */
const FOR_PARTS = new Set(['x-content-type-options', 'cross-origin-resource-policy']);

/** What the library adds to an answer, the same for every one: asked of it once, with an answer of nothing. */
async function secureOnes(): Promise<readonly (readonly [string, string])[]> {
  const { headers } = await new Hono()
    .use(SECURE)
    .get('/', (c) => c.body(null))
    .request('/');
  return [...headers];
}

/**
 * The headers of every answer. They are set before it is made: set on one that is made already, it is built a second time, which cost a
 * booking among fifty writers an eighth of its time.
 */
export function ownHeaders(): MiddlewareHandler<Env> {
  const secure = secureOnes();
  return async (c, next) => {
    const part = isPartOfPage(c.req.path);
    for (const [name, value] of await secure) if (!part || FOR_PARTS.has(name)) c.header(name, value);
    // data is asked for again; a route may say otherwise
    if (c.req.path.startsWith('/api/')) c.header('cache-control', 'no-cache');
    await next();
  };
}
