import type { NewPrice, PriceOnRecord } from '@hygromet/contract/price';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import type { Executor } from '../store/database';
import { inTransaction } from '../store/in-transaction';
import { addPrice, priceById } from '../store/price-store';
import { doneBefore } from './done-before';
import type { Environment } from './environment';
import { DomainError } from './domain-error';

/** The firm's own midnight may be half a day from that of the server. */
const HALF_A_DAY_MS = 14 * 3_600_000;

/**
 * Types a price. It counts from today on, or later: what was accounted for before keeps the price that it had.
 * @throws DomainError, UnknownRefrigerant
 */
export async function typePrice(db: Executor, organisationId: string, draft: NewPrice, environment: Environment): Promise<PriceOnRecord> {
  refrigerant(draft.refrigerant);
  const today = new Date(environment.now().getTime() - HALF_A_DAY_MS).toISOString().slice(0, 10);
  if (draft.from < today)
    throw new DomainError('invalid-input', 'A price counts from today or later: what was accounted for before keeps its price.', '/from');
  return inTransaction(db, async (tx) => {
    const id = environment.newId();
    const { key, ...content } = draft;
    const before = await doneBefore(tx, { organisationId, key, kind: 'price', content, answer: id });
    if (before === undefined) await addPrice(tx, organisationId, id, draft);
    return priceById(tx, organisationId, before ?? id);
  });
}
