import { sql, type Kysely } from 'kysely';

/** What spoke against a transfer when it was booked all the same, kept with its entry. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table movement add column against jsonb`.execute(db);
}
