import type { NewPrice, PriceOnRecord } from '@hygromet/contract/price';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import type { Executor } from '../store/database';
import { addPrice } from '../store/price-store';
import { keyReused } from './booked-before';
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
  const { price, same } = await addPrice(db, organisationId, environment.newId(), draft);
  if (!same) throw keyReused();
  return price;
}
