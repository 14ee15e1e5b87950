import { sql, type Kysely } from 'kysely';

/**
 * What was sent under a key, once: its kind, the hash of all that was said, and what came of it. Two sendings at the same time wait for each
 * other here. Entries of the ledger and events of visits keep their hash with themselves, in the same transaction.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table sent_once (
      organisation_id uuid not null references organisation,
      key uuid not null,
      kind text not null,
      content_hash text not null,
      answer uuid not null,
      recorded_at timestamptz not null default clock_timestamp(),
      constraint sent_once_under_a_key primary key (organisation_id, key)
    )`.execute(db);
  await sql`
    create trigger sent_once_append_only before update or delete on sent_once
      for each row execute function refuse_change()`.execute(db);
  await sql`create trigger sent_once_kept before truncate on sent_once for each statement execute function refuse_change()`.execute(db);
}
