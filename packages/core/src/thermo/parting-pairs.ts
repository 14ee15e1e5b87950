import { mixtureLiquidGuess } from './ancillary';
import type { Substance } from '../fluids/substance';
import { compileMixture, type MixtureModel } from './mixture-model';
import { Phase } from './phase';
import { scaledCurvature, smallestPivot } from './pivots';

/**
 * Which pairs of substances come near to parting as liquids, and where. A pair parts where at some composition its liquid has a pivot of 0 or less
 * (`pivots.ts`): beside that spinodal lies a binodal, on which the pivots may be as high as those of an ordinary blend. So what a liquid's own pivots
 * do not show, those of its pairs over all compositions do: R-717 with R-290 comes down to −0.23 at 25 °C, and parts at a pivot of 0.63.
 */
export function smallestPivotOfPairs(model: MixtureModel, T: number): number {
  const known = byModel.get(model) ?? computed(model);
  const k = Math.min(LAST, Math.max(0, (T - COLDEST) / STEP));
  return Math.min(known[Math.floor(k)]!, known[Math.ceil(k)]!);
}

/** K: between these a pair's smallest pivot is looked up at the two neighbours, and the smaller counts. */
const COLDEST = 150;
const STEP = 25;
const LAST = 10;

/** Mole fractions of the first substance at which a pair is looked at: a spinodal is wider than the gaps between them. */
const LOOKED_AT = [0.03, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 0.97];

const byModel = new WeakMap<MixtureModel, Float64Array>();
/** At most one entry for each two of the substances. */
const byPair = new Map<string, Float64Array>();

function computed(model: MixtureModel): Float64Array {
  const { substances } = model;
  const smallest = new Float64Array(LAST + 1).fill(Number.POSITIVE_INFINITY);
  substances.forEach((first, i) => {
    for (const second of substances.slice(i + 1))
      ofPair(first, second).forEach((value, k) => (smallest[k] = Math.min(smallest[k]!, value)));
  });
  byModel.set(model, smallest);
  return smallest;
}

function ofPair(first: Substance, second: Substance): Float64Array {
  const key = `${first.id} ${second.id}`;
  const known = byPair.get(key) ?? Float64Array.from({ length: LAST + 1 }, (_, k) => pairAt(first, second, COLDEST + k * STEP));
  byPair.set(key, known);
  return known;
}

function pairAt(first: Substance, second: Substance, T: number): number {
  const phase = new Phase(compileMixture([first, second]));
  let smallest = Number.POSITIVE_INFINITY;
  for (const share of LOOKED_AT) {
    const x = [share, 1 - share];
    phase.set(x, mixtureLiquidGuess(phase.model, x, T)).evaluate(T);
    const pivot = smallestPivot(scaledCurvature(phase), 2);
    // beyond its equations' range anything may come out: then the pair is looked at closely
    smallest = Math.min(smallest, Number.isNaN(pivot) ? Number.NEGATIVE_INFINITY : pivot);
  }
  return smallest;
}
