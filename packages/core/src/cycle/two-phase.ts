/** kg/m³ on average where the quality rises evenly from `low` to `high`, by a slip of (rl/rv)^n (Zivi for n = 1/3; from memory). */
export function meanDensity(low: number, high: number, rl: number, rv: number, n: number): number {
  const k = (rv / rl) ** (1 - n);
  const [from, to] = [Math.min(Math.max(low, 0), 0.999), Math.min(1, Math.max(high, low + 1e-3))];
  const integral = (x: number) => x / (1 - k) - (k / (1 - k) ** 2) * Math.log(k + (1 - k) * x);
  const voids = (integral(to) - integral(from)) / (to - from);
  return voids * rv + (1 - voids) * rl;
}
