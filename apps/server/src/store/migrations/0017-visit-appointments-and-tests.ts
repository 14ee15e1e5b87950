import { sql, type Kysely } from 'kysely';

/** A visit may have its hour, the person who goes, tests, and findings at its joints; there are none of them until now. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`update visit set record = record || '{"time": null, "person": null, "tests": [], "joints": []}'::jsonb`.execute(db);
}
