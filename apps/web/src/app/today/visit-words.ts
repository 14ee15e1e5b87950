import type { Visit } from '@hygromet/contract/visit';
import { stagesOf } from '@hygromet/contract/visit-stages';
import type { Trouble } from '@hygromet/core/visit/stage';
import { nextStage } from '@hygromet/core/visit/stage-states';
import { methodNames } from '../method/method-words';
import { nextActionText } from '../visit/stage-words';

const TROUBLE: Record<Trouble, string> = {
  'facts-changed': 'The facts have changed: check the method again',
  'look-changed': 'Another part failed: check the method again',
};

/** The one thing to do next on a visit. */
export function nextOf(visit: Visit): string {
  if (visit.state === 'closed') return 'Closed';
  const states = stagesOf(visit);
  const next = nextStage(states);
  const { trouble } = states.find(({ stage }) => stage === next) ?? {};
  if (trouble !== undefined) return TROUBLE[trouble];
  const method = visit.plan?.method;
  return next === 'transfer' && method !== undefined ? `${methodNames[method]}: fill a cylinder` : nextActionText(next);
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
