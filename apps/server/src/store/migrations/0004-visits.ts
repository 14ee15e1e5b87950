import { sql, type Kysely } from 'kysely';

/** Visits to systems: why, when, and what was decided there. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table visit (
      id uuid primary key,
      organisation_id uuid not null references organisation,
      opening_key uuid not null,
      system_id uuid not null references system,
      day date not null,
      reason text not null constraint visit_has_a_reason check (btrim(reason) <> ''),
      plan jsonb,
      state text not null default 'open' constraint visit_state_is_known check (state in ('open', 'closed')),
      opened_by text not null,
      changed_at timestamptz not null,
      version integer not null default 1,
      constraint visit_opened_once unique (organisation_id, opening_key)
    )`.execute(db);
  await sql`create index visit_by_day on visit (organisation_id, day)`.execute(db);
}
