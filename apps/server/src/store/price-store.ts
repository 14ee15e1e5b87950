import type { NewPrice, PriceOnRecord } from '@hygromet/contract/price';
import { sql } from 'kysely';
import type { Executor } from './database';

const priceQuery = (db: Executor, organisationId: string) =>
  db
    .selectFrom('price')
    .where('organisation_id', '=', organisationId)
    .select([
      'id',
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

export async function addPrice(db: Executor, organisationId: string, id: string, { key, ...draft }: NewPrice): Promise<void> {
  await db
    .insertInto('price')
    .values({
      id,
      organisation_id: organisationId,
      price_key: key,
      refrigerant: draft.refrigerant,
      kind: draft.kind,
      per_kg: draft.perKg,
      currency: draft.currency,
      valid_from: draft.from,
      recorded_by: draft.recordedBy,
    })
    .execute();
}

export const priceById = async (db: Executor, organisationId: string, id: string): Promise<PriceOnRecord> =>
  priceOf(await priceQuery(db, organisationId).where('id', '=', id).executeTakeFirstOrThrow());
