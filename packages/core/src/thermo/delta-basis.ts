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

/** The equations of state raise δ to 15 at most. */
const HIGHEST_WHOLE = 15;

export const UNDAMPED: Damping = { g: 0, l: 0, eta: 0, epsilon: 0 };

interface LaidOut {
  readonly exponents: Float64Array;
  /** The exponent once more where it is a whole number, else −1. */
  readonly whole: Int32Array;
  readonly formExponent: Int32Array;
  readonly formDamping: Int32Array;
  // at the last δ: powers by exponent; value, u and v by damping
  readonly power: Float64Array;
  readonly damped: Float64Array;
  readonly u: Float64Array;
  readonly v: Float64Array;
}

export class DeltaBasis {
  private readonly exponents: number[] = [];
  private readonly dampings: Damping[] = [];
  private readonly formExponent: number[] = [];
  private readonly formDamping: number[] = [];
  private readonly indexByKey = new Map<string, number>();
  /** All of it laid out for summation, made when it is first evaluated: nothing is added then any more. */
  private laid: LaidOut | undefined;
  /** Whole powers of the last δ. */
  private readonly whole = new Float64Array(HIGHEST_WHOLE + 1);

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
    const laid = (this.laid ??= this.layOut());
    const { exponents, formExponent, formDamping, power, damped, u, v } = laid;
    const lnDelta = Math.log(delta);
    this.raise(delta);
    for (let k = 0; k < exponents.length; k++) {
      const whole = laid.whole[k]!;
      power[k] = whole >= 0 ? this.whole[whole]! : Math.exp(exponents[k]! * lnDelta);
    }
    this.damp(delta, lnDelta, laid);
    for (let form = 0; form < formExponent.length; form++) {
      const exponent = formExponent[form]!;
      const damping = formDamping[form]!;
      const f = power[exponent]! * damped[damping]!;
      const q = exponents[exponent]! + u[damping]!;
      f0[form] = f;
      f1[form] = q * f;
      f2[form] = (q * q - q + v[damping]!) * f;
    }
  }

  private layOut(): LaidOut {
    const { exponents, dampings, formExponent, formDamping } = this;
    const perDamping = () => new Float64Array(dampings.length);
    return {
      exponents: Float64Array.from(exponents),
      whole: Int32Array.from(exponents, (d) => (isWhole(d) ? d : -1)),
      formExponent: Int32Array.from(formExponent),
      formDamping: Int32Array.from(formDamping),
      power: new Float64Array(exponents.length),
      damped: perDamping(),
      u: perDamping(),
      v: perDamping(),
    };
  }

  /** δ⁰ to the highest whole power that is needed: nearly all exponents of δ are whole numbers, and a product is quicker than an exponential. */
  private raise(delta: number): void {
    const { whole } = this;
    whole[0] = 1;
    for (let k = 1; k < whole.length; k++) whole[k] = whole[k - 1]! * delta;
  }

  private powerOf(exponent: number, lnDelta: number): number {
    return isWhole(exponent) ? this.whole[exponent]! : Math.exp(exponent * lnDelta);
  }

  private damp(delta: number, lnDelta: number, { damped, u, v }: LaidOut): void {
    const { dampings } = this;
    for (let k = 0; k < dampings.length; k++) {
      const { g, l, eta, epsilon } = dampings[k]!;
      const gPower = g === 0 ? 0 : g * this.powerOf(l, lnDelta);
      const distance = delta - epsilon;
      damped[k] = gPower === 0 && eta === 0 ? 1 : Math.exp(-gPower - eta * distance * distance);
      u[k] = -l * gPower - 2 * eta * delta * distance;
      v[k] = -l * l * gPower - 2 * eta * delta * (delta + distance);
    }
  }
}

const isWhole = (exponent: number) => Number.isInteger(exponent) && exponent >= 0 && exponent <= HIGHEST_WHOLE;

const dampingKey = ({ g, l, eta, epsilon }: Damping) => `${g} ${l} ${eta} ${epsilon}`;

/** Index of the first match in a list, which grows by `item` when there is none. */
function indexIn<T>(list: T[], matches: (entry: T) => boolean, item: T): number {
  const found = list.findIndex(matches);
  return found >= 0 ? found : list.push(item) - 1;
}
