import { leftAlone } from '@hygromet/contract/left-alone';
import type { Visit } from '@hygromet/contract/visit';
import { stagesOf } from '@hygromet/contract/visit-stages';
import type { Trouble } from '@hygromet/core/visit/stage';
import { nextStage } from '@hygromet/core/visit/stage-states';
import { methodNames } from '../method/method-labels';
import { comeBackText } from '../visit/prove/come-back';
import { isPumpDown, nextActionText } from '../visit/stage-labels';

const TROUBLE: Record<Trouble, string> = {
  'facts-changed': $localize`The facts have changed: check the method again`,
  'look-changed': $localize`What was found has changed: check the method again`,
};

/** The one thing to do next on a visit. */
export function nextOf(visit: Visit): string {
  if (visit.state === 'closed') return $localize`Closed`;
  const hold = heldUntil(visit);
  if (hold !== undefined) return hold;
  const states = stagesOf(visit);
  const next = nextStage(states);
  const { trouble } = states.find(({ stage }) => stage === next) ?? {};
  if (trouble !== undefined) return TROUBLE[trouble];
  const method = visit.plan?.method;
  const fills = next === 'transfer' && !isPumpDown(states.find(({ stage }) => stage === next));
  return fills && method !== undefined ? $localize`${methodNames[method]}\: fill a cylinder` : nextActionText(states);
}

/** A system that was left alone under nitrogen. */
function heldUntil(visit: Visit, now = Date.now()): string | undefined {
  const until = leftAlone(visit)[0]?.until;
  if (until === undefined) return undefined;
  return until.getTime() > now ? $localize`Under nitrogen until ${comeBackText(until)}` : $localize`Under nitrogen: read the hold`;
}

/** Who goes there. */
export const whoseVisit = ({ person, openedBy }: Visit): string => person ?? openedBy;

/** What the button says that opens it. */
export function goOnText(visit: Visit): string {
  if (visit.state === 'closed') return $localize`Open`;
  return nextStage(stagesOf(visit)) === 'look' ? $localize`Look` : $localize`Go on`;
}

/** The visit to go on with: the one today that is under way, else the first one today that is open. */
export function leadOf(visits: readonly Visit[], today: string): string | undefined {
  const open = visits.filter(({ state, day }) => state === 'open' && day === today).sort(byTime);
  return (open.find((entry) => nextStage(stagesOf(entry)) !== 'look') ?? open[0])?.id;
}

/** Visits without an hour come after those that have one. */
const byTime = (a: Visit, b: Visit): number => (a.time ?? '99').localeCompare(b.time ?? '99');

/** Visits that are due together. */
export interface DueVisits {
  readonly due: 'today' | 'overdue' | 'later';
  readonly visits: readonly Visit[];
}

export const dueNames: Record<DueVisits['due'], string> = {
  today: $localize`Today`,
  overdue: $localize`Overdue`,
  later: $localize`Next days`,
};

/** Visits by when they are due: today's, those of earlier days that are still open, later ones. */
export function byDay(visits: readonly Visit[], today: string): readonly DueVisits[] {
  const open = visits.filter(({ state }) => state === 'open');
  const oldestFirst = (some: readonly Visit[]) => [...some].sort((a, b) => a.day.localeCompare(b.day) || byTime(a, b));
  const groups: readonly DueVisits[] = [
    { due: 'today', visits: visits.filter(({ day }) => day === today).sort(byTime) },
    { due: 'overdue', visits: oldestFirst(open.filter(({ day }) => day < today)) },
    { due: 'later', visits: oldestFirst(open.filter(({ day }) => day > today)) },
  ];
  return groups.filter(({ due, visits: own }) => own.length > 0 || due === 'today');
}
