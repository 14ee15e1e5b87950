import { Hono, type MiddlewareHandler } from 'hono';
import { secureHeaders } from 'hono/secure-headers';
import type { Env } from './env';

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
    for (const [name, value] of await secure) c.header(name, value);
    // data is asked for again; a route may say otherwise
    if (c.req.path.startsWith('/api/')) c.header('cache-control', 'no-cache');
    await next();
  };
}
