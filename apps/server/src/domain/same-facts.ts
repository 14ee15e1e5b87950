/** A figure that went through a file may have lost its last digits. */
const FILE_ROUNDING = 1e-5;
/** How something was typed is no fact of the circuit. */
const asTyped = /typed$/i;

/** Whether two records of facts say the same. */
export function sameFacts(one: unknown, other: unknown): boolean {
  if (typeof one === 'number' && typeof other === 'number')
    return Math.abs(one - other) <= FILE_ROUNDING * Math.max(Math.abs(one), Math.abs(other));
  if (Array.isArray(one) && Array.isArray(other)) return one.length === other.length && one.every((entry, k) => sameFacts(entry, other[k]));
  if (isRecord(one) && isRecord(other)) {
    const names = new Set([...Object.keys(one), ...Object.keys(other)].filter((name) => !asTyped.test(name)));
    return [...names].every((name) => sameFacts(one[name], other[name]));
  }
  return one === other;
}

const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value);
