import { sql, type Kysely } from 'kysely';

/** What is known of a system's circuit, and which version of it somebody has seen. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    alter table system
      add column facts jsonb not null default '{}',
      add column version integer not null default 1,
      add column changed_at timestamptz,
      add column changed_by text`.execute(db);
}
