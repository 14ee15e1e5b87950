import type { ImportAnswer, RowOutcome } from '@hygromet/contract/import';
import { CoreError } from '@hygromet/core/errors';
import type { Executor, Tx } from '../store/database';
import { DomainError } from './domain-error';

type Kept = Exclude<RowOutcome['outcome'], 'refused'>;

/** Thrown to take everything back, with what was found out on the way. */
class TakenBack extends Error {
  constructor(readonly outcomes: RowOutcome[]) {
    super('taken back');
  }
}

/** Takes every row or none: where one is refused, or it was only a try, the database is as it was before. */
export async function importRows<Row>(
  db: Executor,
  rows: readonly Row[],
  tryOnly: boolean,
  take: (tx: Tx, row: Row) => Promise<Kept>,
): Promise<ImportAnswer> {
  try {
    const outcomes = await db.transaction().execute(async (tx) => {
      const found: RowOutcome[] = [];
      for (const [row, own] of rows.entries()) found.push(await outcomeOf(row, () => take(tx, own)));
      if (tryOnly || found.some(({ outcome }) => outcome === 'refused')) throw new TakenBack(found);
      return found;
    });
    return { kept: true, outcomes };
  } catch (error) {
    if (error instanceof TakenBack) return { kept: false, outcomes: error.outcomes };
    throw error;
  }
}

async function outcomeOf(row: number, take: () => Promise<Kept>): Promise<RowOutcome> {
  try {
    return { row, outcome: await take() };
  } catch (error) {
    if (error instanceof DomainError || error instanceof CoreError) return { row, outcome: 'refused', detail: error.message };
    throw error;
  }
}
