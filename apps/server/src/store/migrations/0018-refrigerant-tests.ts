import { sql, type Kysely } from 'kysely';

/** A visit keeps the tests of what was recovered, and what was done to clean it; there are none of them until now. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`update visit set record = record || '{"refrigerantTests": [], "cleaning": []}'::jsonb`.execute(db);
}
