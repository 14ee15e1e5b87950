export type Three = readonly [number, number, number];

const determinant = (p: Three, q: Three, r: Three): number =>
  p[0] * (q[1] * r[2] - q[2] * r[1]) - q[0] * (p[1] * r[2] - p[2] * r[1]) + r[0] * (p[1] * q[2] - p[2] * q[1]);

/** Below this three columns are no three directions. */
const FLAT = 1e-12;

/** Shares of the columns a, b, c that come to `sum`, by Cramer's rule; nothing where they lie in one plane. */
export function solveThree([a, b, c]: readonly [Three, Three, Three], sum: Three): Three | undefined {
  const all = determinant(a, b, c);
  if (!(Math.abs(all) > FLAT)) return undefined;
  return [determinant(sum, b, c) / all, determinant(a, sum, c) / all, determinant(a, b, sum) / all];
}
