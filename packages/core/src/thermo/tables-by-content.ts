import type { Composition } from '../fluids/composition';

const MOST_TABLES = 200;

/**
 * Tables that are built once for a composition and kept, by what it is made of: a question to a worker or over the wire brings a new object
 * each time. What throws is not kept.
 */
export function byContent<T>(build: (composition: Composition) => T): (composition: Composition) => T {
  const tables = new Map<string, T>();
  return (composition) => {
    const key = JSON.stringify(composition);
    const known = tables.get(key);
    if (known !== undefined) return known;
    if (tables.size >= MOST_TABLES) tables.clear();
    const table = build(composition);
    tables.set(key, table);
    return table;
  };
}
