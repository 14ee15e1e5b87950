import { carriesChargeAway, type Purpose, type Thing } from '../circuit/opened';
import { pumpDowns, type Method } from '../planning/method';
import { stages, type Lack, type Mark, type NotNeeded, type Stage, type StageState, type Trouble } from './stage';

/** How far a visit has come: what was seen, decided, transferred and said. */
export interface JobSoFar {
  /** What was read on arriving; nothing that nobody has measured. */
  readonly ambientRead: boolean;
  readonly standingRead: boolean;
  /** `none` where nothing failed and the system is to be emptied. */
  readonly failed: Thing | 'unknown' | 'none';
  readonly purpose: Purpose;
  /** What was decided; nothing while no plan is saved. */
  readonly method: Method | undefined;
  /** The facts of the system have changed since the plan was saved. */
  readonly factsChanged: boolean;
  /** Another part is said to have failed than the one that the plan is for. */
  readonly lookChanged: boolean;
  readonly transfers: number;
  /** A pump-down was watched to its end. */
  readonly pumpedDown: boolean;
  /** The last word of a person about a stage. */
  readonly said: ReadonlyMap<Stage, { readonly mark: Mark; readonly why: string }>;
  readonly closed: boolean;
}

/** Pump-downs that leave the whole charge in the system: nothing goes into a cylinder, unless the unit is carried away with it. */
const LEAVES_CHARGE: readonly Method[] = pumpDowns.filter((method) => method !== 'pump-down-and-recover');

/**
 * Where each stage stands. A person's word about a stage goes before what follows from the method, and a trouble before both; nothing
 * that nobody has done counts as done. Common practice.
 */
export function stageStates(job: JobSoFar): readonly StageState[] {
  const before = stages.filter((stage) => stage !== 'close').map((stage) => stateOf(stage, job));
  const open = before.some(({ state }) => state === 'ahead' || state === 'trouble');
  const close: StageState = job.closed
    ? { stage: 'close', state: 'done', lacks: [] }
    : { stage: 'close', state: 'ahead', lacks: open ? ['stages-before'] : [] };
  return [...before, close];
}

function stateOf(stage: Stage, job: JobSoFar): StageState {
  const trouble = stage === 'method' && job.method !== undefined ? troubleOf(job) : undefined;
  if (trouble !== undefined) return { stage, state: 'trouble', trouble, lacks: ['plan'] };
  const said = job.said.get(stage);
  if (said?.mark === 'not-needed') return { stage, state: 'not-needed', notNeeded: 'said', said: said.why, lacks: [] };
  if (said?.mark === 'done') return { stage, state: 'done', lacks: [], ...(said.why === '' ? {} : { said: said.why }) };
  const reason = notNeeded(stage, job);
  if (reason !== undefined) return { stage, state: 'not-needed', notNeeded: reason, lacks: [] };
  const lacks = lacksOf(stage, job);
  // what is done by itself is done unless a person has opened it again
  const done = lacks.length === 0 && said?.mark !== 'open-again';
  return { stage, state: done ? 'done' : 'ahead', lacks };
}

/** What the plan rests on is no longer so. */
const troubleOf = ({ factsChanged, lookChanged }: JobSoFar): Trouble | undefined =>
  factsChanged ? 'facts-changed' : lookChanged ? 'look-changed' : undefined;

/** Whether the charge stays in the system, shut off by its valves: not where the unit is carried away with it. */
export const staysInSystem = ({ method, purpose }: Pick<JobSoFar, 'method' | 'purpose'>): boolean =>
  method !== undefined && LEAVES_CHARGE.includes(method) && !carriesChargeAway(purpose);

/** What follows from the method. Before anything is decided, everything may be needed. */
function notNeeded(stage: Stage, job: JobSoFar): NotNeeded | undefined {
  const { method, failed, purpose, transfers } = job;
  if (method === undefined) return undefined;
  const staysIn = staysInSystem(job);
  const removed = purpose === 'remove';
  const outOfService = removed || (failed === 'none' && !staysIn);
  switch (stage) {
    case 'transfer':
      if (transfers > 0) return undefined; // what happened, happened
      return method === 'nothing' ? 'flat' : undefined;
    case 'account':
      return transfers === 0 && staysIn ? 'nothing-removed' : undefined;
    case 'repair':
      return removed || failed === 'none' ? 'nothing-to-repair' : undefined;
    case 'prove':
      return outOfService ? 'taken-out-of-service' : failed === 'none' ? 'not-opened' : undefined;
    case 'recharge':
    case 'check':
      return outOfService ? 'taken-out-of-service' : undefined;
    case 'look':
    case 'method':
    case 'close':
      return undefined;
    default:
      return stage satisfies never;
  }
}

/** Stages whose end only a person can see lack that person's word. */
const SAID: Partial<Record<Stage, Lack>> = {
  account: 'account-closed',
  repair: 'repair-said',
  prove: 'test',
  recharge: 'recharge-said',
  check: 'running-check',
};

function lacksOf(stage: Stage, job: JobSoFar): readonly Lack[] {
  const { ambientRead, standingRead, failed, purpose, method, transfers, pumpedDown } = job;
  if (stage === 'look') {
    const lacks: readonly [Lack, boolean][] = [
      ['standing-pressure', !standingRead],
      ['ambient', !ambientRead],
      ['failed-part', failed === 'unknown' && (purpose === 'repair' || purpose === 'find-leak')],
    ];
    return lacks.filter(([, missing]) => missing).map(([lack]) => lack);
  }
  if (stage === 'method') return method === undefined ? ['plan'] : [];
  if (stage === 'transfer') {
    if (transfers > 0) return [];
    if (staysInSystem(job)) return pumpedDown ? [] : ['pump-down'];
    return ['weighed-transfer'];
  }
  const lack = SAID[stage];
  return lack === undefined ? [] : [lack];
}

/** The stage that is to be done next: the first that is not through. */
export const nextStage = (states: readonly StageState[]): Stage =>
  states.find(({ state }) => state === 'ahead' || state === 'trouble')?.stage ?? 'close';
