import type { NewPrice, PriceOnRecord } from '@hygromet/contract/price';
import { sql } from 'kysely';
import { contentHash } from './content-hash';
import type { Executor } from './database';

const priceQuery = (db: Executor, organisationId: string) =>
  db
    .selectFrom('price')
    .where('organisation_id', '=', organisationId)
    .select([
      'id',
      'price_key',
      'content_hash',
      'refrigerant',
      'kind',
      'per_kg',
      'currency',
      sql<string>`to_char(valid_from, 'YYYY-MM-DD')`.as('valid_from'),
      'recorded_at',
      'recorded_by',
    ]);

type Row = Awaited<ReturnType<ReturnType<typeof priceQuery>['execute']>>[number];

const priceOf = (row: Row): PriceOnRecord => ({
  id: row.id,
  refrigerant: row.refrigerant,
  kind: row.kind as PriceOnRecord['kind'], // held by the constraint price_kind_is_known
  perKg: Number(row.per_kg),
  currency: row.currency,
  from: row.valid_from,
  recordedAt: row.recorded_at.toISOString(),
  recordedBy: row.recorded_by,
});

/** In the order in which they begin; of one day, in the order in which they were typed. */
export const pricesOf = async (db: Executor, organisationId: string): Promise<PriceOnRecord[]> =>
  (await priceQuery(db, organisationId).orderBy('price.valid_from').orderBy('price.sequence').execute()).map(priceOf);

/** A repeated key adds nothing. @returns the price of that key, and whether it says the same */
export async function addPrice(
  db: Executor,
  organisationId: string,
  id: string,
  { key, ...draft }: NewPrice,
): Promise<{ readonly price: PriceOnRecord; readonly same: boolean }> {
  const hash = contentHash(draft);
  await db
    .insertInto('price')
    .values({
      id,
      organisation_id: organisationId,
      price_key: key,
      content_hash: hash,
      refrigerant: draft.refrigerant,
      kind: draft.kind,
      per_kg: draft.perKg,
      currency: draft.currency,
      valid_from: draft.from,
      recorded_by: draft.recordedBy,
    })
    .onConflict((conflict) => conflict.constraint('price_typed_once').doNothing())
    .execute();
  const row = await priceQuery(db, organisationId).where('price_key', '=', key).executeTakeFirstOrThrow();
  return { price: priceOf(row), same: row.content_hash === hash };
}
