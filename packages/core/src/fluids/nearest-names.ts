/** The names that a typing slip would turn into `typed`, nearest first, at most three. */
export function nearestNames(typed: string, names: readonly string[]): readonly string[] {
  const plain = (name: string) => name.toUpperCase().replace(/[^A-Z0-9]/g, '');
  const wanted = plain(typed);
  return names
    .map((name) => ({ name, distance: editDistance(wanted, plain(name)) }))
    .filter(({ distance }) => distance <= 2)
    .sort((a, b) => a.distance - b.distance || a.name.localeCompare(b.name))
    .slice(0, 3)
    .map(({ name }) => name);
}

/** Number of letters to insert, delete or replace (Levenshtein). */
function editDistance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++) {
      next[j] = Math.min(row[j]! + 1, next[j - 1]! + 1, row[j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1));
    }
    row = next;
  }
  return row[b.length]!;
}
