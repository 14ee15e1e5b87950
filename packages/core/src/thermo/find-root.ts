const MOST_STEPS = 200;

/**
 * Root of a function between `low` and `high`, where its signs differ, to `tolerance` in the argument (Illinois variant of false
 * position: no derivative, never leaves the bracket).
 */
export function findRoot(f: (x: number) => number, low: number, high: number, tolerance: number): number {
  let [a, b, fa, fb] = [low, high, f(low), f(high)];
  for (let step = 0; step < MOST_STEPS && Math.abs(b - a) > tolerance; step++) {
    const proposed = b - (fb * (b - a)) / (fb - fa);
    // a shorter step proves nothing while the bracket is wide: a steep end draws it on the spot. It is made towards the other end
    const middle = Math.abs(proposed - b) < tolerance / 2 ? b + Math.sign(a - b) * (tolerance / 2) : proposed;
    const fm = f(middle);
    if (fm === 0) return middle;
    if (fm * fb < 0) [a, fa] = [b, fb];
    else fa /= 2;
    [b, fb] = [middle, fm];
  }
  return Math.abs(fa) < Math.abs(fb) ? a : b;
}
