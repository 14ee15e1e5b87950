import { sql, type Kysely } from 'kysely';

/** A visit may have its hour and the person who goes; nobody has said either until now. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`update visit set record = record || '{"time": null, "person": null}'::jsonb`.execute(db);
}
