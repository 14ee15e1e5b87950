import type { ServerType } from '@hono/node-server';

/** Longer than any client keeps an idle connection for its next request (browsers, proxies: about a minute). */
const keepAliveMs = 75_000;

/** A client that sends its request drop by drop holds a connection no longer than this. */
const headersWithinMs = 15_000;
const requestWithinMs = 60_000;
/** Ten people with ten tabs, and a program that reads along. */
const mostConnections = 1000;

/**
 * A connection is closed by the client, not by the server: Node's own 5 s end it just when a client sends its next request,
 * and that request then dies with "connection reset".
 */
export function keepAlive(server: ServerType): void {
  if (!('keepAliveTimeout' in server)) return;
  server.keepAliveTimeout = keepAliveMs;
  server.headersTimeout = headersWithinMs;
  server.requestTimeout = requestWithinMs;
  server.maxConnections = mostConnections;
}

/** Lets open requests finish and closes each connection as soon as it is idle; then `done`. */
export function closeGently(server: ServerType, done: () => void): void {
  const closeIdle = (): void => {
    if ('closeIdleConnections' in server) server.closeIdleConnections();
  };
  const again = setInterval(closeIdle, 100);
  server.close(() => {
    clearInterval(again);
    done();
  });
  closeIdle();
}
