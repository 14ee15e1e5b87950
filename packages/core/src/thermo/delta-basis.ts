import type { Damping, DeltaForm } from './delta-form';

/** The equations of state raise δ to 15 at most. */
const HIGHEST_WHOLE = 15;

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

/**
 * The δ-forms of a model: many terms share a form, many forms share an exponential. Each is held once, and at one δ it gives for every form
 * f, δ f′ and δ² f″.
 */
export class DeltaBasis {
  private readonly exponents = new Places<number>();
  private readonly dampings = new Places<Damping>();
  private readonly forms = new Places<DeltaForm>();
  /** All of it laid out for summation, made when it is first evaluated: nothing is added then any more. */
  private laid: LaidOut | undefined;
  /** Whole powers of the last δ. */
  private readonly whole = new Float64Array(HIGHEST_WHOLE + 1);

  get size(): number {
    return this.forms.all.length;
  }

  /** Index of the form, new or already known. */
  add(form: DeltaForm): number {
    this.exponents.of(form.d);
    this.dampings.of(form.damping);
    return this.forms.of(form);
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
    const [exponents, dampings, forms] = [this.exponents, this.dampings, this.forms.all];
    const perDamping = () => new Float64Array(dampings.all.length);
    return {
      exponents: Float64Array.from(exponents.all),
      whole: Int32Array.from(exponents.all, (d) => (isWhole(d) ? d : -1)),
      formExponent: Int32Array.from(forms, ({ d }) => exponents.of(d)),
      formDamping: Int32Array.from(forms, ({ damping }) => dampings.of(damping)),
      power: new Float64Array(exponents.all.length),
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
    const dampings = this.dampings.all;
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

/** Things in the order in which they were first named. */
class Places<T> {
  readonly all: T[] = [];
  private readonly place = new Map<T, number>();

  of(item: T): number {
    const known = this.place.get(item);
    if (known !== undefined) return known;
    this.place.set(item, this.all.length);
    return this.all.push(item) - 1;
  }
}
