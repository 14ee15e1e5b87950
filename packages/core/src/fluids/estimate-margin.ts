import { SAME_SHARE, type Composition } from './composition';
import { pairOf } from './pair';
import { Remembered } from './remembered';
import { findSubstance } from './substance';
import data from './unpublished-pairs.json';

/** What a mixture rests on: published pairs alone, a pair fitted to boiling points, or a pair by the linear rule. */
export type PairBasis = 'published' | 'fitted' | 'linear';

/** By what a computed density is divided down and a computed pressure raised, because a pair of the mixture is not published. */
export interface EstimateMargin {
  readonly basis: PairBasis;
  /** 0 to 1: the smaller density that has to be reckoned with, over the computed one. */
  readonly densityFactor: number;
  /** 1 or more. */
  readonly pressureFactor: number;
  /** How often and how far such a pressure is too low, shares; for whoever says it. */
  readonly pressureTooLow: number;
  readonly worstPressureTooLow: number;
}

const NONE: EstimateMargin = { basis: 'published', densityFactor: 1, pressureFactor: 1, pressureTooLow: 0, worstPressureTooLow: 0 };

const measured = ({ densityTooHigh, pressureTooLow, worstPressureTooLow }: (typeof data)['linear'], basis: PairBasis): EstimateMargin => ({
  basis,
  densityFactor: 1 / (1 + densityTooHigh),
  pressureFactor: 1 / (1 - pressureTooLow),
  pressureTooLow,
  worstPressureTooLow,
});
const margins = { published: NONE, fitted: measured(data.fitted, 'fitted'), linear: measured(data.linear, 'linear') };

// each limit of each cylinder asks for it
const remembered = new Remembered<PairBasis>();

/** The margin that a mixture needs. A trace that does not make it another refrigerant does not count. Source: `unpublished-pairs.json`. */
export const estimateMargin = (composition: Composition): EstimateMargin =>
  margins[remembered.of(composition, 'basis', () => pairBasis(composition))];

function pairBasis(composition: Composition): PairBasis {
  const substances = Object.keys(composition).flatMap((id) => (composition[id]! < SAME_SHARE ? [] : (findSubstance(id) ?? [])));
  const estimates = substances.flatMap((one, k) => substances.slice(k + 1).map((other) => pairOf(one, other).estimated));
  const rules = estimates.filter((how) => how !== undefined);
  if (rules.length === 0) return 'published';
  return rules.every((how) => how.startsWith('fitted')) ? 'fitted' : 'linear';
}
