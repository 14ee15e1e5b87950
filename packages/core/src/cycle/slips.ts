import type { Conditions } from './conditions';
import readings from './readings.json';
import type { CycleTable } from './cycle-table';
import type { Derived, Readings } from './cycle-readings';

/** What can hardly be, with the likely slip of the hand. */
export const slipCodes = [
  'suction-above-head',
  'stands',
  'wet-bulb-above-dry',
  'wet-superheat',
  'liquid-above-condensing',
  'supply-not-cooled',
  'head-below-outdoors',
  'suction-above-indoors',
  'beyond-the-table',
] as const;
export type SlipCode = (typeof slipCodes)[number];

/** Both sides at one pressure, as far as two gauges tell: it does not run, and nothing that is read of it says anything of its charge. */
const stands = (head: number | undefined, suction: number | undefined): boolean =>
  head !== undefined && suction !== undefined && Math.abs(suction - head) <= readings.stands.share * head;

/** K that a clamp and a gauge may be off together. */
const OFF_K = 3;

/** Everything of these readings that can hardly be. Nothing is judged before it is answered. */
export function slipsOf(table: CycleTable, conditions: Conditions, asRead: Readings, derived: Partial<Derived>): readonly SlipCode[] {
  const { head, suction, supply } = asRead;
  const { outdoorK, indoorK, indoorWetBulbK, heating = false } = conditions;
  const [condensesAt, boilsAt] = heating ? [indoorK, outdoorK] : [outdoorK, indoorK];
  const found: readonly (readonly [SlipCode, boolean])[] = [
    ['suction-above-head', head !== undefined && suction !== undefined && suction > (1 + readings.stands.share) * head],
    ['stands', stands(head, suction)],
    ['wet-bulb-above-dry', indoorWetBulbK !== undefined && indoorWetBulbK > indoorK + 0.1],
    ['wet-superheat', (derived.superheat ?? 0) < -OFF_K],
    ['liquid-above-condensing', (derived.subcooling ?? 0) < -OFF_K],
    ['supply-not-cooled', !heating && supply !== undefined && supply >= indoorK],
    ['head-below-outdoors', head !== undefined && table.saturation(head).Td < condensesAt - OFF_K],
    ['suction-above-indoors', suction !== undefined && table.saturation(suction).Tb > boilsAt + OFF_K],
    ['beyond-the-table', head !== undefined && head > table.most],
  ];
  const codes = found.flatMap(([code, is]) => (is ? [code] : []));
  // what stands reads all sorts of things, and that it stands is the reason of them all
  return codes.includes('stands') ? ['stands'] : codes;
}
