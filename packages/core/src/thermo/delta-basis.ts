/**
 * Every term of a residual Helmholtz energy but the non-analytic one is f(δ)·h(τ) with
 *
 *     f(δ) = δ^d · exp(−g δ^l − η (δ − ε)²)
 *
 * Many terms share a form, many forms share an exponential. A basis holds each once and gives, at one δ, for every form
 * f, δ f′ and δ² f″. With u = −g l δ^l − 2ηδ(δ − ε), q = d + u and v = δ u′ this is f, q f and (q² − q + v) f.
 */
export interface Damping {
  readonly g: number;
  readonly l: number;
  readonly eta: number;
  readonly epsilon: number;
}

export const UNDAMPED: Damping = { g: 0, l: 0, eta: 0, epsilon: 0 };

export class DeltaBasis {
  private readonly exponents: number[] = [];
  private readonly dampings: Damping[] = [];
  private readonly formExponent: number[] = [];
  private readonly formDamping: number[] = [];
  private readonly indexByKey = new Map<string, number>();
  // at the last δ: powers by exponent; value, u and v by damping
  private readonly power: number[] = [];
  private readonly damped: number[] = [];
  private readonly u: number[] = [];
  private readonly v: number[] = [];

  get size(): number {
    return this.formExponent.length;
  }

  /** Index of the form, new or already known. */
  add(d: number, damping: Damping): number {
    const key = `${d} ${dampingKey(damping)}`;
    const known = this.indexByKey.get(key);
    if (known !== undefined) return known;
    this.formExponent.push(indexIn(this.exponents, (exponent) => exponent === d, d));
    this.formDamping.push(indexIn(this.dampings, (other) => dampingKey(other) === dampingKey(damping), damping));
    this.indexByKey.set(key, this.size - 1);
    return this.size - 1;
  }

  /** Fills f, δ f′ and δ² f″ of every form. */
  evaluate(delta: number, f0: Float64Array, f1: Float64Array, f2: Float64Array): void {
    const { exponents, formExponent, formDamping, power } = this;
    const lnDelta = Math.log(delta);
    for (let k = 0; k < exponents.length; k++) power[k] = Math.exp(exponents[k]! * lnDelta);
    this.damp(delta, lnDelta);
    for (let form = 0; form < formExponent.length; form++) {
      const exponent = formExponent[form]!;
      const damping = formDamping[form]!;
      const f = power[exponent]! * this.damped[damping]!;
      const q = exponents[exponent]! + this.u[damping]!;
      f0[form] = f;
      f1[form] = q * f;
      f2[form] = (q * q - q + this.v[damping]!) * f;
    }
  }

  private damp(delta: number, lnDelta: number): void {
    for (let k = 0; k < this.dampings.length; k++) {
      const { g, l, eta, epsilon } = this.dampings[k]!;
      const gPower = g === 0 ? 0 : g * Math.exp(l * lnDelta);
      const distance = delta - epsilon;
      this.damped[k] = gPower === 0 && eta === 0 ? 1 : Math.exp(-gPower - eta * distance * distance);
      this.u[k] = -l * gPower - 2 * eta * delta * distance;
      this.v[k] = -l * l * gPower - 2 * eta * delta * (delta + distance);
    }
  }
}

const dampingKey = ({ g, l, eta, epsilon }: Damping) => `${g} ${l} ${eta} ${epsilon}`;

/** Index of the first match in a list, which grows by `item` when there is none. */
function indexIn<T>(list: T[], matches: (entry: T) => boolean, item: T): number {
  const found = list.findIndex(matches);
  return found >= 0 ? found : list.push(item) - 1;
}
