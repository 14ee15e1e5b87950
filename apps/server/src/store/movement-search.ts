import { sql, type RawBuilder } from 'kysely';
import type { Executor } from './database';

const LIKE_SIGNS = /[\\%_]/g;

/** One or two letters are in no index of what is written on entries: they are looked for in the names of accounts, which are few. */
const SHORTEST_WRITTEN_COUNT = 3;

/**
 * What an entry must fulfil so that each word of `text` stands in one of its accounts, its refrigerant, its person or its note.
 * The accounts are looked up first: the entries of a named account are then read by its own index.
 */
export async function withWords(db: Executor, organisationId: string, text: string): Promise<RawBuilder<unknown>> {
  const conditions = await Promise.all(text.split(/\s+/).map((word) => withWord(db, organisationId, word)));
  return sql`(${sql.join(conditions, sql` and `)})`;
}

async function withWord(db: Executor, organisationId: string, word: string): Promise<RawBuilder<unknown>> {
  const pattern = `%${word.replace(LIKE_SIGNS, '\\$&')}%`;
  const named = await db
    .selectFrom('account')
    .select('id')
    .where('organisation_id', '=', organisationId)
    .where('name', 'ilike', pattern)
    .execute();
  const ids = named.map(({ id }) => id);
  const written = word.length < SHORTEST_WRITTEN_COUNT ? sql`false` : sql`words ilike ${pattern}`;
  return ids.length === 0 ? written : sql`(${written} or from_account = any(${ids}::uuid[]) or to_account = any(${ids}::uuid[]))`;
}
