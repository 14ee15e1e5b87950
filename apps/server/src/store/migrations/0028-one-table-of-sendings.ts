import { sql, type Kysely } from 'kysely';

/**
 * Whatever was sent under a key stands in one table: a key that made an entry of the ledger, a visit, an event, a shipment, a receipt or a price
 * cannot be used for anything else. Entries keep their hash, which is under their seal; the others give theirs away. Weighings and moves
 * of many cylinders kept none, and are taken as they stand.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    insert into sent_once (organisation_id, key, kind, content_hash, answer, recorded_at)
    select organisation_id, idempotency_key, 'booking',
      case when gross_before_kg is null and gross_after_kg is not null then '' else content_hash end, id, recorded_at
    from movement
    on conflict do nothing`.execute(db);
  await sql`
    insert into sent_once (organisation_id, key, kind, content_hash, answer, recorded_at)
    select organisation_id, event_key, case when kind = 'opened' then 'visit' else 'visit-event' end, content_hash, visit_id, recorded_at
    from visit_event
    on conflict do nothing`.execute(db);
  await sql`
    insert into sent_once (organisation_id, key, kind, content_hash, answer, recorded_at)
    select organisation_id, shipment_key, 'shipment', content_hash, id, recorded_at from shipment
    union all
    select organisation_id, receipt_key, 'receipt', content_hash, shipment_id, recorded_at from shipment_receipt
    union all
    select organisation_id, event_key, 'cylinder-move', '', id, recorded_at from cylinder_event where what = 'moved'
    union all
    select organisation_id, price_key, 'price', content_hash, id, recorded_at from price
    on conflict do nothing`.execute(db);
  for (const table of ['visit_event', 'shipment', 'shipment_receipt', 'price'])
    await sql`alter table ${sql.table(table)} drop column content_hash`.execute(db);
}
