import { serveStatic } from '@hono/node-server/serve-static';
import { Hono } from 'hono';
import { existsSync } from 'node:fs';
import type { Env } from './env';

/** Names that carry a hash of their content never change; everything else is asked for again (its ETag says if it changed). */
const HASHED = /-[A-Z0-9]{8}\.(js|css|woff2?|svg)$/;

/** The web application: its files, and its one page for every address that is no file. */
export function webFiles(root: string | undefined) {
  const app = new Hono<Env>();
  if (root === undefined || !existsSync(root)) return app;
  app.use(
    '*',
    serveStatic({
      root,
      precompressed: true,
      onFound: (path, c) => c.header('cache-control', HASHED.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache'),
    }),
  );
  // a part of an earlier version: the page would take any other answer for that part
  app.get('*', (c, next) => (HASHED.test(c.req.path) ? c.notFound() : next()));
  app.get('*', serveStatic({ root, path: 'index.html', onFound: (_, c) => c.header('cache-control', 'no-cache') }));
  return app;
}
