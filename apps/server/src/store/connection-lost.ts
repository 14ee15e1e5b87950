import pg from 'pg';

/**
 * Shut down, crashed, starting, out of something, or longer at it than anybody waits (a statement, a lock, an open transaction): classes and
 * codes of PostgreSQL's appendix A.
 */
const GONE = /^(08|53|57P0[1-3]|57014|55P03|25P03)/;
const SYSTEM: readonly unknown[] = ['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'ENOENT'];
/** What the driver says without a code. */
const SAID = /Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error/;

/** Whether a query failed because the database was not there, and not because of what was asked. */
export function isConnectionLost(error: unknown): boolean {
  if (error instanceof pg.DatabaseError) return GONE.test(error.code ?? '');
  if (!(error instanceof Error)) return false;
  return SYSTEM.includes('code' in error ? error.code : undefined) || SAID.test(error.message);
}
