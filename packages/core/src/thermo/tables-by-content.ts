const MOST_TABLES = 200;

/**
 * What is built once for a composition, or another plain question, and kept by what that is made of: a question to a worker or over the wire
 * brings a new object each time. What throws is not kept.
 */
export function byContent<Q extends object, T>(build: (question: Q) => T): (question: Q) => T {
  const tables = new Map<string, T>();
  return (question) => {
    const key = JSON.stringify(question);
    const known = tables.get(key);
    if (known !== undefined) return known;
    if (tables.size >= MOST_TABLES) tables.clear();
    const table = build(question);
    tables.set(key, table);
    return table;
  };
}
