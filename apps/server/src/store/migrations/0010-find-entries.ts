import { sql, type Kysely } from 'kysely';

/** What is written on an entry, to be found by any part of a word; the names of its accounts are found in the accounts. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`create extension if not exists pg_trgm`.execute(db);
  await sql`
    alter table movement add column words text
      generated always as (coalesce(refrigerant, '') || ' ' || recorded_by || ' ' || coalesce(note, '')) stored`.execute(db);
  await sql`create index movement_by_words on movement using gin (words gin_trgm_ops)`.execute(db);
}
