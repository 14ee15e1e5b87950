/**
 * What was stored, as far as it has the shape that is wanted today: a draft of an earlier version, or one that was damaged, never breaks a
 * page. What fits is kept, what does not is as in the shape. Empty lists and objects, and `null`, say nothing about what is in them.
 */
export function shapedAs<T>(stored: unknown, shape: T): T {
  if (shape === null) return (stored === undefined ? null : stored) as T;
  if (Array.isArray(shape)) return Array.isArray(stored) ? (stored as T) : shape;
  if (typeof shape !== 'object') return typeof stored === typeof shape ? (stored as T) : shape;
  if (!isPlain(stored)) return shape;
  const fields = Object.entries(shape as Record<string, unknown>);
  if (fields.length === 0) return stored as T;
  return Object.fromEntries(fields.map(([key, own]) => [key, key in stored ? shapedAs(stored[key], own) : own])) as T;
}

const isPlain = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value);
