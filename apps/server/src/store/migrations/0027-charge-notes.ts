import { sql, type Kysely } from 'kysely';

/** A visit keeps what was called out and seen while its system was charged; there is nothing until now. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`update visit set record = record || '{"chargeNotes": []}'::jsonb`.execute(db);
}
