import { sql } from 'kysely';
import type { Logger } from 'pino';
import type { Db } from '../store/database';

const AT_A_TIME_COUNT = 1000;
const EVERY_MS = 5000;

/** Extends the chain by what was booked meanwhile; as many as there are. */
export async function sealWhatWaits(db: Db): Promise<void> {
  for (let done = AT_A_TIME_COUNT; done === AT_A_TIME_COUNT;) {
    const { rows } = await sql<{ done: number }>`select seal_movements(${AT_A_TIME_COUNT}) as done`.execute(db);
    done = rows[0]?.done ?? 0;
  }
}

/** Until the function that it answers is called. What fails is done the next time: nothing is lost by waiting. */
export function keepSealing(db: Db, log: Logger): () => void {
  let busy = false;
  const timer = setInterval(() => {
    if (busy) return;
    busy = true;
    sealWhatWaits(db)
      .catch((error: unknown) => log.warn({ err: error }, 'nothing was sealed'))
      .finally(() => (busy = false));
  }, EVERY_MS);
  return () => clearInterval(timer);
}
