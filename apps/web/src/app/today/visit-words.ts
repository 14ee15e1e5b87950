import type { Visit } from '@hygromet/contract/visit';
import { methodNames } from '../method/method-words';

/** The one thing to do next on a visit. */
export function nextOf({ state, plan, system }: Visit): string {
  if (state === 'closed') return 'closed';
  if (plan === null) return 'Look, and choose the method';
  if (plan.factsVersion !== system.factsVersion) return 'The facts have changed: look at the plan again';
  return plan.method === 'nothing' ? 'Prove it flat, then close' : `${methodNames[plan.method]}: choose the cylinder and fill it`;
}

/** Visits by when they want attention: left over from earlier days, today's, later ones. */
export function byDay(visits: readonly Visit[], today: string): { readonly name: string; readonly visits: readonly Visit[] }[] {
  const open = visits.filter(({ state }) => state === 'open');
  const oldestFirst = (some: readonly Visit[]) => [...some].sort((a, b) => a.day.localeCompare(b.day));
  return [
    { name: 'Left over', visits: oldestFirst(open.filter(({ day }) => day < today)) },
    { name: 'Today', visits: visits.filter(({ day }) => day === today) },
    { name: 'Later', visits: oldestFirst(open.filter(({ day }) => day > today)) },
  ].filter(({ name, visits: own }) => own.length > 0 || name === 'Today');
}
