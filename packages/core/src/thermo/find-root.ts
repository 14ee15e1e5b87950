const MOST_STEPS = 200;

/**
 * Root of a function between `low` and `high`, where its signs differ, to `tolerance` in the argument (Illinois variant of false
 * position: no derivative, never leaves the bracket).
 */
export function findRoot(f: (x: number) => number, low: number, high: number, tolerance: number): number {
  let [a, b, fa, fb] = [low, high, f(low), f(high)];
  for (let step = 0; step < MOST_STEPS && Math.abs(b - a) > tolerance; step++) {
    const middle = b - (fb * (b - a)) / (fb - fa);
    const fm = f(middle);
    if (fm === 0 || Math.abs(middle - b) < tolerance) return middle;
    if (fm * fb < 0) [a, fa] = [b, fb];
    else fa /= 2;
    [b, fb] = [middle, fm];
  }
  return b;
}
