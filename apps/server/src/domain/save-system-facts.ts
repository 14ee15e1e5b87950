import type { SavedFacts, System } from '@hygromet/contract/system';
import type { Executor } from '../store/database';
import { inTransaction } from '../store/in-transaction';
import { saveFacts, systemById } from '../store/system-store';
import type { Environment } from './environment';
import { DomainError } from './domain-error';

/** Keeps the facts of a circuit for whoever saw their latest version: nobody overwrites what they have not read. */
export const saveSystemFacts = (
  db: Executor,
  organisationId: string,
  id: string,
  change: SavedFacts,
  environment: Environment,
): Promise<System> =>
  inTransaction(db, async (tx) => {
    const known = await systemById(tx, organisationId, id);
    if (known === undefined) throw new DomainError('not-found', 'This system is not in the register.');
    if (!(await saveFacts(tx, organisationId, id, change, environment.now())))
      throw new DomainError(
        'changed-meanwhile',
        `${known.changedBy ?? 'Somebody'} has changed these facts meanwhile. Check them, and save yours again if they still hold.`,
      );
    const saved = await systemById(tx, organisationId, id);
    if (saved === undefined) throw new Error(`the system ${id} was changed and is not there`);
    return saved;
  });
