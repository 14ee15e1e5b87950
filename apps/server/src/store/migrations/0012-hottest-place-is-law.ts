import { sql, type Kysely } from 'kysely';

/** A place hotter than 131 °F that was named binds by default: also for organisations that were there before the rule was. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`update organisation set required_rules = array_append(required_rules, 'not-liquid-full-hottest')
    where not 'not-liquid-full-hottest' = any (required_rules)`.execute(db);
}
