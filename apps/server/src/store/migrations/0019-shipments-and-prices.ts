import { sql, type Kysely } from 'kysely';

/** What was sent to the reclaimer and what came back of it, and what a refrigerant costs. All of it is only ever added. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table shipment (
      id uuid primary key,
      organisation_id uuid not null references organisation,
      shipment_key uuid not null,
      content_hash text not null,
      to_name text not null,
      carrier text not null,
      day date not null,
      lines jsonb not null,
      happened_at timestamptz not null,
      recorded_at timestamptz not null default clock_timestamp(),
      recorded_by text not null,
      constraint shipment_sent_once unique (organisation_id, shipment_key)
    )`.execute(db);
  await sql`
    create table shipment_receipt (
      shipment_id uuid primary key references shipment,
      organisation_id uuid not null references organisation,
      receipt_key uuid not null,
      content_hash text not null,
      body jsonb not null,
      happened_at timestamptz not null,
      recorded_at timestamptz not null default clock_timestamp(),
      recorded_by text not null,
      constraint receipt_kept_once unique (organisation_id, receipt_key)
    )`.execute(db);
  await sql`
    create table price (
      id uuid primary key,
      organisation_id uuid not null references organisation,
      price_key uuid not null,
      content_hash text not null,
      refrigerant text not null,
      kind text not null constraint price_kind_is_known check (kind in ('buy', 'credit')),
      per_kg numeric(12,4) not null constraint price_is_a_number check (per_kg <> 'NaN'::numeric and per_kg >= 0),
      currency text not null constraint price_has_a_currency check (currency ~ '^[A-Z]{3}$'),
      valid_from date not null,
      sequence bigint generated always as identity,
      recorded_at timestamptz not null default clock_timestamp(),
      recorded_by text not null,
      constraint price_typed_once unique (organisation_id, price_key)
    )`.execute(db);
  for (const table of ['shipment', 'shipment_receipt', 'price']) {
    await sql`
      create trigger ${sql.raw(`${table}_append_only`)} before update or delete on ${sql.table(table)}
        for each row execute function refuse_change()`.execute(db);
    await sql`
      create trigger ${sql.raw(`${table}_never_emptied`)} before truncate on ${sql.table(table)}
        for each statement execute function refuse_removal()`.execute(db);
  }
}
