import { Hono } from 'hono';
import { compress } from 'hono/compress';
import { etag } from 'hono/etag';
import { requestId } from 'hono/request-id';
import { apiRoutes } from './api-routes';
import { documentRoutes } from './document-routes';
import type { Deps, Env } from './env';
import { nothingHere, problemOf } from './errors';
import { healthRoutes } from './health-routes';
import { instrumentStream } from './instrument-routes';
import { notTooManyAtOnce } from './in-flight';
import { ownHeaders } from './own-headers';
import { bodyOfFittingSize, ownHouse } from './own-house';
import { readsRoutes } from './reads-routes';
import { validAnswers } from './valid-answers';
import { webFiles } from './web-files';

/** The whole server as one function from request to answer; `webRoot` is where the built web application lies. */
export function createApp(deps: Deps, webRoot?: string) {
  const app = new Hono<Env>();
  app.use(requestId());
  app.use(async (c, next) => {
    const started = performance.now();
    await next();
    deps.log.info(
      {
        requestId: c.var.requestId,
        method: c.req.method,
        path: c.req.path,
        status: c.res.status,
        ms: Math.round(performance.now() - started),
      },
      'request',
    );
  });
  app.use(ownHeaders());
  app.use(ownHouse);
  app.use('/api/*', notTooManyAtOnce());
  app.use('/api/*', bodyOfFittingSize);
  // a stream has no end that could be compressed, hashed or counted
  app.route('/', instrumentStream(deps));
  // what is booked is answered once and is short: only what is read is large, and asked for again
  app.on('GET', '*', compress(), etag());
  if (deps.checkAnswers === true) app.use('/api/*', validAnswers);
  app.onError((error, c) => problemOf(error, c, deps.log));

  const ofTheHouse = apiRoutes(deps);
  app.route('/', healthRoutes(deps));
  app.route('/', documentRoutes(deps));
  app.route('/', ofTheHouse);
  app.route('/', readsRoutes(ofTheHouse));
  app.all('/api/*', nothingHere);
  app.route('/', webFiles(webRoot));
  return app;
}
