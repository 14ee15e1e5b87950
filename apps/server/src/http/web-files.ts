import { serveStatic } from '@hono/node-server/serve-static';
import { Hono, type Context } from 'hono';
import { existsSync } from 'node:fs';
import type { Env } from './env';
import { hasHashedName } from './hashed-name';

const FOR_GOOD = 'public, max-age=31536000, immutable';
/** Asked for again; its ETag says if it changed. */
const EACH_TIME = 'no-cache';

/** The web application: its files, and its one page for every address that is no file. */
export function webFiles(root: string | undefined) {
  const app = new Hono<Env>();
  if (root === undefined || !existsSync(root)) return app;
  // said before the answer is made, by the name that was asked for: the file that is found may be its compressed one
  app.use('*', async (c, next) => {
    c.header('cache-control', hasHashedName(c.req.path) ? FOR_GOOD : EACH_TIME);
    await next();
  });
  app.use('*', serveStatic({ root, precompressed: true }));
  // a part of an earlier version: the page would take any other answer for that part
  app.get('*', (c, next) => (hasHashedName(c.req.path) ? notThere(c) : next()));
  app.get('*', serveStatic({ root, path: 'index.html' }));
  return app;
}

function notThere(c: Context<Env>) {
  c.header('cache-control', EACH_TIME);
  return c.notFound();
}
