import type { BudgetTerm, StopWeight } from '@hygromet/core/cylinder/stop-weight';
import { SEEN_KG } from '@hygromet/core/cylinder/scale-tolerance';
import type { Units } from '../preferences/units.service';

const groups: readonly (readonly [readonly BudgetTerm[], string])[] = [
  [['density', 'capacity', 'tare', 'scale'], $localize`for what stamp, scale and equation leave open`],
  [['hose'], $localize`still in the hose`],
  [['oil'], $localize`for the oil`],
  [['drift'], $localize`in case vapor comes over`],
];

/** Why the valve is shut below the limit. */
export function lessText(limitKg: number, shutAt: StopWeight | undefined, units: Pick<Units, 'massText'>): string {
  if (shutAt === undefined) return '';
  const told = groups.flatMap(([terms, why]) => {
    const kg = shutAt.budget.filter(({ term }) => terms.includes(term)).reduce((sum, entry) => sum + entry.kg, 0);
    return kg > SEEN_KG ? [`${units.massText(kg, 'up')} ${why}`] : [];
  });
  const limit = $localize`The limit is ${units.massText(limitKg, 'down')}`;
  return told.length === 0 ? `${limit}.` : $localize`${limit}, less ${told.join(', ')}.`;
}
