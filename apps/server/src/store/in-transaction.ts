import { sql } from 'kysely';
import type { Executor, Tx } from './database';

const isOpen = (db: Executor): db is Tx => db.isTransaction;

/** Runs the work in the transaction that is open, or in one of its own. */
export const inTransaction = <T>(db: Executor, work: (tx: Tx) => Promise<T>): Promise<T> =>
  isOpen(db) ? work(db) : db.transaction().execute(work);

/** Whose change it is that the rest of this transaction makes: it stands in the history of registers. */
export const actingAs = (tx: Tx, person: string) => sql`select set_config('hygromet.person', ${person}, true)`.execute(tx);
