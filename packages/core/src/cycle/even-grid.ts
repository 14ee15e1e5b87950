/** Where a point lies on an even grid: the first of the four nodes of its cubic, and their weights. */
export interface Place {
  readonly first: number;
  readonly w0: number;
  readonly w1: number;
  readonly w2: number;
  readonly w3: number;
}

/** Even steps from `least`; at least four nodes. */
export interface EvenGrid {
  readonly least: number;
  readonly step: number;
  readonly count: number;
}

/** Lagrange's cubic through the four nodes around x; beyond the ends a straight line, so that a solver is never refused on its way. */
export function placeOn({ least, step, count }: EvenGrid, x: number): Place {
  const t = (x - least) / step;
  if (t <= 0) return { first: 0, w0: 1 - t, w1: t, w2: 0, w3: 0 };
  if (t >= count - 1) return { first: count - 4, w0: 0, w1: 0, w2: count - 1 - t, w3: t - count + 2 };
  const first = Math.min(Math.max(Math.floor(t) - 1, 0), count - 4);
  const s = t - first;
  const [a, b, c] = [s - 1, s - 2, s - 3];
  return { first, w0: (-a * b * c) / 6, w1: (s * b * c) / 2, w2: (-s * a * c) / 2, w3: (s * a * b) / 6 };
}

/** The value of one column at a place. */
export const valueAt = (values: Float64Array, { first, w0, w1, w2, w3 }: Place, offset = 0): number => {
  const k = first + offset;
  return w0 * values[k]! + w1 * values[k + 1]! + w2 * values[k + 2]! + w3 * values[k + 3]!;
};
