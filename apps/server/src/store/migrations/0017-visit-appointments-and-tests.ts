import { sql, type Kysely } from 'kysely';

/** A visit may have its hour, the person who goes, and tests; there are none of either until now. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`update visit set record = record || '{"time": null, "person": null, "tests": []}'::jsonb`.execute(db);
}
