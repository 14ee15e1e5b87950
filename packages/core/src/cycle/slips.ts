import type { Conditions } from './conditions';
import type { CycleTable } from './cycle-table';
import type { Derived, Readings } from './cycle-readings';

/** What can hardly be, with the likely slip of the hand. */
export const slipCodes = [
  'suction-above-head',
  'wet-bulb-above-dry',
  'wet-superheat',
  'liquid-above-condensing',
  'supply-not-cooled',
  'head-below-outdoors',
  'suction-above-indoors',
  'beyond-the-table',
] as const;
export type SlipCode = (typeof slipCodes)[number];

/** K that a clamp and a gauge may be off together. */
const OFF_K = 3;

/** Everything of these readings that can hardly be. Nothing is judged before it is answered. */
export function slipsOf(table: CycleTable, conditions: Conditions, readings: Readings, derived: Partial<Derived>): readonly SlipCode[] {
  const { head, suction, supply } = readings;
  const { outdoorK, indoorK, indoorWetBulbK, heating = false } = conditions;
  const [condensesAt, boilsAt] = heating ? [indoorK, outdoorK] : [outdoorK, indoorK];
  const found: readonly (readonly [SlipCode, boolean])[] = [
    ['suction-above-head', head !== undefined && suction !== undefined && suction >= head],
    ['wet-bulb-above-dry', indoorWetBulbK !== undefined && indoorWetBulbK > indoorK + 0.1],
    ['wet-superheat', (derived.superheat ?? 0) < -OFF_K],
    ['liquid-above-condensing', (derived.subcooling ?? 0) < -OFF_K],
    ['supply-not-cooled', !heating && supply !== undefined && supply >= indoorK],
    ['head-below-outdoors', head !== undefined && table.saturation(head).Td < condensesAt - OFF_K],
    ['suction-above-indoors', suction !== undefined && table.saturation(suction).Tb > boilsAt + OFF_K],
    ['beyond-the-table', head !== undefined && head > table.most],
  ];
  return found.flatMap(([code, is]) => (is ? [code] : []));
}
