import type { DeltaBasis } from './delta-basis';
import type { ResidualTerms } from './residual-terms';

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

/** Terms of one residual function in a model: δ-forms by their places in its basis, exponents by theirs in its plan. */
export interface PlannedResidual extends Omit<ResidualTerms, 'forms' | 'plainT'> {
  /** δ-form of each slot. */
  readonly forms: Int32Array;
  /** Of each plain term, the index of t among the exponents. */
  readonly plainT: Int32Array;
}

export function planResiduals(residuals: readonly ResidualTerms[], basis: DeltaBasis): ResidualPlan {
  const distinct = [...new Set(residuals.flatMap(({ plainT }) => [...plainT]))];
  const inEighths = distinct.filter((t) => Number.isInteger(8 * t));
  const exponents = [...inEighths, ...distinct.filter((t) => !Number.isInteger(8 * t))];
  const indexOf = new Map(exponents.map((t, k) => [t, k]));
  const wholes = inEighths.map(Math.floor);
  return {
    exponents: Float64Array.from(exponents),
    wholes: Int32Array.from(wholes),
    eighths: Int32Array.from(inEighths, (t) => 8 * (t - Math.floor(t))),
    wholeRange: [Math.min(0, ...wholes), Math.max(0, ...wholes)],
    residuals: residuals.map((residual) => ({
      ...residual,
      forms: Int32Array.from(residual.forms, (form) => basis.add(form)),
      plainT: Int32Array.from(residual.plainT, (t) => indexOf.get(t)!),
    })),
  };
}
