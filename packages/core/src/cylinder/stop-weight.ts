import type { Composition } from '../fluids/composition';
import { USUAL_REFERENCE } from './reference-temperatures';
import type { FillLimit, FillLimits } from './fill-limit';
import { saturatedLiquid } from './saturated-liquid';
import { isUnknown } from './unknown-content';
import { usualScaleOff, type Handling } from './handling';
import data from './stop-budget.json';

export const budgetTerms = ['density', 'capacity', 'tare', 'scale', 'oil', 'drift', 'hose'] as const;
export type BudgetTerm = (typeof budgetTerms)[number];

export interface StopWeight {
  /** kg on the scale at which to shut the valve: the lower end of the 95 % interval below the limit. */
  readonly gross: number;
  /** kg that are in it then; 0 where the budget takes more than the limit allows. */
  readonly net: number;
  /** The limit that it keeps: of those that bind, the one that leads to the lowest reading. */
  readonly limit: FillLimit;
  /** kg by which each lowers it; together they are the limit less the stop. */
  readonly budget: readonly { readonly term: BudgetTerm; readonly kg: number }[];
}

/**
 * The reading at which the valve is shut so that every limit that binds is kept, whatever scale, tare, stamp and density are off, with what
 * still runs in, with the room that oil takes, and with what a blend changes on its way. Every part lowers it; none ever raises it.
 */
export function stopWeight({ limits }: FillLimits, composition: Composition, handling: Handling): StopWeight {
  const stops = limits.filter(({ required }) => required).map((limit) => stopOf(limit, composition, handling));
  return stops.reduce((least, stop) => (stop.gross < least.gross ? stop : least));
}

function stopOf(limit: FillLimit, composition: Composition, { scaleOff, hose, oilShare }: Handling): StopWeight {
  const scale = scaleOff ?? usualScaleOff(limit.gross);
  const random: readonly [BudgetTerm, number][] = [
    ['density', limit.bases[0]?.T === undefined ? 0 : data.densityShare * limit.net],
    ['capacity', data.capacityShare * limit.net],
    ['tare', data.tareKg],
    ['scale', scale],
  ];
  const squares = random.reduce((sum, [, kg]) => sum + kg ** 2, 0);
  const together = Math.sqrt(squares); // independent of each other: their squares add up
  const kg = {
    ...Object.fromEntries(random.map(([term, own]) => [term, squares === 0 ? 0 : (own ** 2 / squares) * together])),
    oil: limit.net * (1 - roomLeftByOil(limit, oilShare)),
    drift: limit.drift,
    hose: hose * liquidDensity(composition, limit),
  } as Record<BudgetTerm, number>; // the four of `random` and the three named here are all there are
  const budget = budgetTerms.map((term) => ({ term, kg: kg[term] }));
  const less = budget.reduce((sum, entry) => sum + entry.kg, 0);
  return { gross: limit.gross - less, net: Math.max(0, limit.net - less), limit, budget };
}

/** A lighter oil fills the volume of a limit with less mass: the share of the limit that then still holds. */
function roomLeftByOil({ bases }: FillLimit, oilShare: number): number {
  const density = bases[0]?.density ?? data.oilDensity;
  return Math.min(1, 1 / (1 - oilShare + (oilShare * density) / data.oilDensity));
}

/** Liquid in a hose at room temperature; where there is none, nothing is denser than what the limit counts with. */
function liquidDensity(composition: Composition, { bases }: FillLimit): number {
  const otherwise = bases[0]?.density ?? 0;
  if (isUnknown(composition)) return Math.max(otherwise, DENSEST_LIQUID);
  return saturatedLiquid(composition, USUAL_REFERENCE)?.rho ?? otherwise;
}

/** kg/m³, R-13B1 and its like: what an unknown liquid in a hose may weigh at most. From memory. */
const DENSEST_LIQUID = 1560;
