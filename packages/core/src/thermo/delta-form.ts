/**
 * Every term of a residual Helmholtz energy but the non-analytic one is f(δ)·h(τ) with
 *
 *     f(δ) = δ^d · exp(−g δ^l − η (δ − ε)²)
 *
 * With u = −g l δ^l − 2ηδ(δ − ε), q = d + u and v = δ u′ its scaled derivatives δ f′ and δ² f″ are q f and (q² − q + v) f.
 */
export interface DeltaForm {
  readonly d: number;
  readonly damping: Damping;
}

export interface Damping {
  readonly g: number;
  readonly l: number;
  readonly eta: number;
  readonly epsilon: number;
}

export const UNDAMPED: Damping = { g: 0, l: 0, eta: 0, epsilon: 0 };

/** Each form and each damping of the data is one object: models find what they share by it, without comparing numbers. */
const forms = new Map<string, DeltaForm>();
const dampings = new Map<string, Damping>();

export function deltaForm(d: number, { g, l, eta, epsilon }: Damping): DeltaForm {
  const key = `${g} ${l} ${eta} ${epsilon}`;
  return held(forms, `${d} ${key}`, () => ({ d, damping: held(dampings, key, () => ({ g, l, eta, epsilon })) }));
}

function held<T>(all: Map<string, T>, key: string, make: () => T): T {
  const known = all.get(key) ?? make();
  all.set(key, known);
  return known;
}
