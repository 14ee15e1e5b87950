import type { Tx } from './database';

/** Runs the work in the transaction that is open, or in one of its own. */
export const inTransaction = <T>(db: Tx, work: (tx: Tx) => Promise<T>): Promise<T> =>
  db.isTransaction ? work(db) : db.transaction().execute(work);
