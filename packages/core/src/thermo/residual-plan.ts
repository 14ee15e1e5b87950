import type { NonAnalyticTerm } from './non-analytic';
import type { ResidualTerms } from './residual-terms';
import type { TauTerm } from './tau-terms';

/**
 * The terms of a model laid out for summation, made once. A slot is one δ-form of one residual function: at fixed τ all its terms add
 * up to one coefficient. Terms n τ^t, by far the most, share their powers of τ across the whole model.
 */
export interface ResidualPlan {
  /** The distinct exponents t of the plain terms: those that are whole eighths first. */
  readonly exponents: Float64Array;
  /** Of the first of them: their whole part, and the eighths beyond it. */
  readonly wholes: Int32Array;
  readonly eighths: Int32Array;
  /** The least and the greatest whole part. */
  readonly wholeRange: readonly [number, number];
  readonly residuals: readonly PlannedResidual[];
}

export interface PlannedResidual {
  /** δ-form of each slot. */
  readonly forms: Int32Array;
  /** Where the plain terms of each slot begin, and where the last ones end: they stand in the order of their slots. */
  readonly plainFrom: Int32Array;
  /** Plain terms: n, t n, t (t − 1) n, and the index of t among the exponents. */
  readonly plain0: Float64Array;
  readonly plain1: Float64Array;
  readonly plain2: Float64Array;
  readonly plainT: Int32Array;
  /** Terms with an exponential of τ. */
  readonly bells: readonly { readonly slot: number; readonly term: TauTerm }[];
  readonly nonAnalytic: readonly NonAnalyticTerm[];
}

export function planResiduals(residuals: readonly ResidualTerms[]): ResidualPlan {
  const distinct = [...new Set(residuals.flatMap(({ term }) => term.filter(isPlain).map(({ t }) => t)))];
  const inEighths = distinct.filter((t) => Number.isInteger(8 * t));
  const exponents = [...inEighths, ...distinct.filter((t) => !Number.isInteger(8 * t))];
  const indexOf = new Map(exponents.map((t, k) => [t, k]));
  const wholes = inEighths.map(Math.floor);
  return {
    exponents: Float64Array.from(exponents),
    wholes: Int32Array.from(wholes),
    eighths: Int32Array.from(inEighths, (t) => 8 * (t - Math.floor(t))),
    wholeRange: [Math.min(0, ...wholes), Math.max(0, ...wholes)],
    residuals: residuals.map((residual) => planOne(residual, indexOf)),
  };
}

const isPlain = ({ m, bell }: TauTerm) => m === 0 && bell === undefined;

function planOne({ form, term, nonAnalytic }: ResidualTerms, indexOf: ReadonlyMap<number, number>): PlannedResidual {
  const forms = [...new Set(form)];
  const slotted = term.map((t, i) => ({ slot: forms.indexOf(form[i]!), term: t }));
  const plain = slotted.filter((entry) => isPlain(entry.term)).sort((one, other) => one.slot - other.slot);
  const times = (factor: (t: number) => number) => Float64Array.from(plain, (entry) => factor(entry.term.t) * entry.term.n);
  return {
    forms: Int32Array.from(forms),
    plainFrom: Int32Array.from({ length: forms.length + 1 }, (_, from) => plain.filter(({ slot }) => slot < from).length),
    plain0: times(() => 1),
    plain1: times((t) => t),
    plain2: times((t) => t * (t - 1)),
    plainT: Int32Array.from(plain, (entry) => indexOf.get(entry.term.t)!),
    bells: slotted.filter((entry) => !isPlain(entry.term)),
    nonAnalytic,
  };
}
