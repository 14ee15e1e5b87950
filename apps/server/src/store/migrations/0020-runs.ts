import { sql, type Kysely } from 'kysely';

/** A visit keeps how the unit ran, each time it was read; there are no such readings until now. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`update visit set record = record || '{"runs": []}'::jsonb`.execute(db);
}
