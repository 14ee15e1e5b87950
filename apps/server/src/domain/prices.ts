import type { NewPrice, PriceOnRecord } from '@hygromet/contract/price';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import type { Tx } from '../store/database';
import { addPrice } from '../store/price-store';
import { keyReused } from './booked-before';
import type { Outside } from './outside';
import { Refused } from './refused';

/** The firm's own midnight may be half a day from that of the server. */
const HALF_A_DAY_MS = 14 * 3_600_000;

/**
 * Types a price. It counts from today on, or later: what was accounted for before keeps the price that it had.
 * @throws Refused, UnknownRefrigerant
 */
export async function typePrice(db: Tx, organisationId: string, draft: NewPrice, outside: Outside): Promise<PriceOnRecord> {
  refrigerant(draft.refrigerant);
  const today = new Date(outside.now().getTime() - HALF_A_DAY_MS).toISOString().slice(0, 10);
  if (draft.from < today)
    throw new Refused('invalid-input', 'A price counts from today or later: what was accounted for before keeps its price.', '/from');
  const { price, same } = await addPrice(db, organisationId, outside.newId(), draft);
  if (!same) throw keyReused();
  return price;
}
