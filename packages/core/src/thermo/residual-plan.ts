import type { NonAnalyticTerm } from './non-analytic';
import type { ResidualTerms } from './residual-terms';
import type { TauTerm } from './tau-terms';

/**
 * The terms of a model laid out for summation, made once. A slot is one δ-form of one residual function: at fixed τ all its terms add
 * up to one coefficient. Terms n τ^t, by far the most, share their powers of τ across the whole model.
 */
export interface ResidualPlan {
  /** The distinct exponents t of the plain terms. */
  readonly exponents: Float64Array;
  readonly residuals: readonly PlannedResidual[];
}

export interface PlannedResidual {
  /** δ-form of each slot. */
  readonly forms: Int32Array;
  /** Plain terms: their slot, n, and the index of t among the exponents. */
  readonly plainSlot: Int32Array;
  readonly plainN: Float64Array;
  readonly plainT: Int32Array;
  /** Terms with an exponential of τ. */
  readonly bells: readonly { readonly slot: number; readonly term: TauTerm }[];
  readonly nonAnalytic: readonly NonAnalyticTerm[];
}

export function planResiduals(residuals: readonly ResidualTerms[]): ResidualPlan {
  const exponents = [...new Set(residuals.flatMap(({ term }) => term.filter(isPlain).map(({ t }) => t)))];
  const indexOf = new Map(exponents.map((t, k) => [t, k]));
  return { exponents: Float64Array.from(exponents), residuals: residuals.map((residual) => planOne(residual, indexOf)) };
}

const isPlain = ({ m, bell }: TauTerm) => m === 0 && bell === undefined;

function planOne({ form, term, nonAnalytic }: ResidualTerms, indexOf: ReadonlyMap<number, number>): PlannedResidual {
  const forms = [...new Set(form)];
  const slotted = term.map((t, i) => ({ slot: forms.indexOf(form[i]!), term: t }));
  const plain = slotted.filter((entry) => isPlain(entry.term));
  return {
    forms: Int32Array.from(forms),
    plainSlot: Int32Array.from(plain, ({ slot }) => slot),
    plainN: Float64Array.from(plain, (entry) => entry.term.n),
    plainT: Int32Array.from(plain, (entry) => indexOf.get(entry.term.t)!),
    bells: slotted.filter((entry) => !isPlain(entry.term)),
    nonAnalytic,
  };
}
