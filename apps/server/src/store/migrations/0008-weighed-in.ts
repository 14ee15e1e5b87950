import { sql, type Kysely } from 'kysely';

/** When a cylinder was last weighed in on a round; and the reading at which its valve was to be shut, kept with each transfer. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table cylinder add column weighed_in_at timestamptz`.execute(db);
  await sql`alter table movement add column target jsonb`.execute(db);
}
