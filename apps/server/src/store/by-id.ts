import { sql, type RawBuilder } from 'kysely';

/** One text of a statement for any number of ids: it is planned once. */
export const anyOf = (ids: readonly string[]): RawBuilder<string> => sql<string>`any(${ids}::uuid[])`;

/** What was found, in the order in which it was asked for; nothing for what was not. */
export function inOrderOf<T>(ids: readonly string[], found: readonly T[], idOf: (entry: T) => string): readonly (T | undefined)[] {
  const byId = new Map(found.map((entry) => [idOf(entry), entry]));
  return ids.map((id) => byId.get(id));
}
