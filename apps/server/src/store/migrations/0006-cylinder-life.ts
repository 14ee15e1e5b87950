import { sql, type Kysely } from 'kysely';

/** A cylinder's whole life: what it is for, what happened to it, and how it stands since. And the order in which the ledger is read. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    alter table cylinder
      add column marks jsonb not null default '{"kind": "recovery", "flammableRated": false, "ports": "liquid-and-vapour", "validYears": 5}',
      add column vacuum jsonb,
      add column tare_weighed_kg numeric(16, 9),
      add column air_share numeric(9, 8),
      add column retired_at timestamptz`.execute(db);
  await sql`
    create table cylinder_event (
      id uuid primary key,
      organisation_id uuid not null references organisation,
      cylinder_id uuid not null references cylinder,
      event_key uuid not null,
      what text not null,
      detail jsonb not null,
      happened_at timestamptz not null,
      recorded_at timestamptz not null,
      recorded_by text not null constraint event_names_its_author check (btrim(recorded_by) <> ''),
      note text,
      sequence bigint generated always as identity,
      constraint event_kept_once unique (organisation_id, event_key)
    )`.execute(db);
  await sql`create index cylinder_event_by_cylinder on cylinder_event (cylinder_id, sequence)`.execute(db);
  await sql`create trigger cylinder_event_append_only before update or delete on cylinder_event for each row execute function refuse_change()`.execute(
    db,
  );
  await sql`create index movement_by_time on movement (organisation_id, happened_at desc, sequence desc)`.execute(db);
}
