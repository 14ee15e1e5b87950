import type { Suitability } from '../cylinder/suitability';

/** What a visit may bring, kg: as little as `low`, as much as `high`; the truck is loaded for `high`. */
export interface TruckJob {
  readonly id: string;
  readonly low: number;
  readonly likely: number;
  readonly high: number;
  /** Stops of one group may share a cylinder: same refrigerant, quality and owner where it is kept apart. */
  readonly group: string;
}

export interface Carried {
  readonly id: string;
  /** kg on the truck when it leaves, and of the steel alone. */
  readonly weight: number;
  readonly tare: number;
  /** Whether it stands on the truck already: what is there need not be fetched. */
  readonly onTruck: boolean;
  readonly evacuated: boolean;
}

export interface TruckTask {
  readonly jobs: readonly TruckJob[];
  readonly cylinders: readonly Carried[];
  /** What each cylinder may take of a stop's refrigerant, by cylinder and job. */
  readonly rooms: ReadonlyMap<string, ReadonlyMap<string, Pick<Suitability, 'objections' | 'roomKg'>>>;
  /** Cylinders that a person wants on the truck, or not. */
  readonly pinned: ReadonlySet<string>;
  readonly excluded: ReadonlySet<string>;
  /** kg that the truck may carry of cylinders and their content; no limit where it is absent. */
  readonly mostWeight?: number | undefined;
}

export interface TruckPlan {
  /** Cylinders to take, with what goes where. */
  readonly loads: readonly { readonly cylinder: string; readonly transfers: readonly { readonly job: string; readonly kg: number }[] }[];
  /** Stops for which room is missing, kg. */
  readonly short: readonly { readonly job: string; readonly kg: number }[];
  /** kg of all that is taken, when it leaves. */
  readonly weight: number;
  /** kg above what the truck may carry, because a person wants more along than it bears. */
  readonly overKg: number;
}

/**
 * What is decided, one after the other: each is as small as it can be before the next is looked at. What the truck cannot bear; kilograms
 * without room; evacuated cylinders opened, for what is begun is filled first; steel carried and cylinders fetched (common practice).
 */
export const truckGoals = ['overweight', 'shortage', 'opened', 'carried'] as const;
export type TruckGoal = (typeof truckGoals)[number];

/** A goal that is reached, and how small it became: the next ones may not spoil it. */
export interface Held {
  readonly goal: TruckGoal;
  readonly least: number;
}

/** Fetching a cylinder costs as much as carrying this many kg; one that is taken costs some handling beside its weight. */
const FETCHING = 4;
const HANDLING = 1;
const LEAST_POUR = 0.01;

const variable = (kind: string, ...at: readonly number[]) => `${kind}_${at.join('_')}`;

/** What one cylinder takes of a group, kg, and of which of its jobs: one that is kept for an owner takes only of that owner's. */
interface Taking {
  readonly room: number;
  readonly of: readonly string[];
}

interface Group {
  readonly jobs: readonly TruckJob[];
  /** kg that all of them may bring. */
  readonly brought: number;
  /** By place in the list of cylinders; absent where it takes nothing of it. */
  readonly takings: ReadonlyMap<number, Taking>;
}

/** Stops that may share cylinders, and what each cylinder takes of which of them: the least of what it takes of any of those. */
function groupsOf({ jobs, cylinders, rooms }: TruckTask): readonly Group[] {
  return [...new Set(jobs.map(({ group }) => group))].map((name) => {
    const values = jobs.filter(({ group }) => group === name);
    const takings = cylinders.flatMap(({ id }, c) => {
      const open = values.flatMap((job) => {
        const suited = rooms.get(id)?.get(job.id);
        return suited === undefined || suited.objections.length > 0 || suited.roomKg < LEAST_POUR
          ? []
          : [{ id: job.id, kg: suited.roomKg }];
      });
      return open.length === 0 ? [] : [[c, { room: Math.min(...open.map(({ kg }) => kg)), of: open.map((one) => one.id) }] as const];
    });
    return { jobs: values, brought: sumOf(values), takings: new Map(takings) };
  });
}

const sumOf = (jobs: readonly TruckJob[]) => jobs.reduce((sum, { high }) => sum + high, 0);

/** Cylinders of a group that take only of some of its jobs, by which: together they take no more than those bring. */
function partsOf({
  jobs,
  takings,
}: Group): readonly { readonly demand: number; readonly takings: readonly (readonly [number, Taking])[] }[] {
  const partial = [...takings].filter(([, { of }]) => of.length < jobs.length);
  const keys = [...new Set(partial.map(([, { of }]) => of.join(' ')))];
  return keys.map((key) => {
    const values = partial.filter(([, { of }]) => of.join(' ') === key);
    return { demand: sumOf(jobs.filter(({ id }) => key.split(' ').includes(id))), takings: values };
  });
}

/**
 * The choice of cylinders as a mixed-integer program in the LP format, for one goal with those before it held.
 * z: a cylinder serves a group of jobs, at most one; y: kg that cylinders take which may take of some jobs only; s: kg of a group without
 * room; over: kg more than the truck may carry. Which job of a group goes into which of its cylinders changes nothing of it, and is decided
 * afterwards: with it the proof of the optimum took twice as long as a person waits.
 */
export function truckModel(task: TruckTask, goal: TruckGoal, held: readonly Held[] = []): string {
  const { cylinders } = task;
  const groups = groupsOf(task);
  const serving = cylinders.map((_, c) => groups.flatMap((group, g) => (group.takings.has(c) ? [variable('z', c, g)] : [])));
  const sum = (of: TruckGoal) => goalTerms(task, groups, serving, of).join(' + ');
  const constraints = [
    ...groups.flatMap(coverage),
    ...serving.flatMap((mayServe, c) => {
      if (mayServe.length === 0) return [];
      if (task.excluded.has(cylinders[c]!.id)) return [`${mayServe.join(' + ')} = 0`];
      return [`${mayServe.join(' + ')} <= 1`];
    }),
    ...weightLimit(task, groups, serving),
    ...held.flatMap(({ goal: reached, least }) => (sum(reached) === '' ? [] : [`${sum(reached)} <= ${number(least + SLACK)}`])),
  ];
  const binaries = serving.flat();
  return [
    'Minimize',
    ` obj: ${sum(goal) || `0 ${variable('s', 0)}`}`,
    'Subject To',
    ...constraints.map((line, k) => ` c${k}: ${line}`),
    'Bounds',
    ...groups.map(({ brought }, g) => ` ${variable('s', g)} <= ${number(brought)}`),
    ...(binaries.length === 0 ? [] : ['Binary', ` ${binaries.join(' ')}`]),
    'End',
  ].join('\n');
}

/** What a goal adds up. What a person wants comes along in any case: to use it costs nothing more. */
function goalTerms(
  { cylinders, pinned, mostWeight }: TruckTask,
  groups: readonly Group[],
  serving: readonly (readonly string[])[],
  goal: TruckGoal,
): readonly string[] {
  const each = (cost: (cylinder: Carried) => number) =>
    cylinders.flatMap((cylinder, c) =>
      pinned.has(cylinder.id) || cost(cylinder) === 0 ? [] : serving[c]!.map((z) => `${number(cost(cylinder))} ${z}`),
    );
  switch (goal) {
    case 'overweight':
      return mostWeight === undefined ? [] : [OVER];
    case 'shortage':
      return groups.map((_, g) => variable('s', g));
    case 'opened':
      return each(({ evacuated }) => (evacuated ? 1 : 0));
    case 'carried':
      return each(({ tare, onTruck }) => tare + HANDLING + (onTruck ? 0 : FETCHING));
    default:
      return goal satisfies never;
  }
}

/** kg by which a goal that is held may be missed: what the printed numbers round away. */
const SLACK = 2e-5;
const OVER = 'over';

/** What is brought has room or is short; what only some jobs may use is no room for the others. */
function coverage(group: Group, g: number): readonly string[] {
  const { jobs, brought, takings } = group;
  const term = ([c, { room }]: readonly [number, Taking], most: number) => `${number(Math.min(room, most))} ${variable('z', c, g)}`;
  const shared = [...takings].filter(([, { of }]) => of.length === jobs.length).map((entry) => term(entry, brought));
  const parts = partsOf(group);
  const y = (k: number) => variable('y', g, k);
  return [
    `${[...shared, ...parts.map((_, k) => y(k)), variable('s', g)].join(' + ')} >= ${number(brought)}`,
    ...parts.map((part, k) => `${part.takings.map((taking) => term(taking, part.demand)).join(' + ')} - ${y(k)} >= 0`),
    ...parts.map(({ demand }, k) => `${y(k)} <= ${number(demand)}`),
  ];
}

/** Cylinders as they leave, and what will be in them when they come back. Those a person wants come along in any case. */
function weightLimit(
  { cylinders, mostWeight, pinned }: TruckTask,
  groups: readonly Group[],
  serving: readonly (readonly string[])[],
): readonly string[] {
  if (mostWeight === undefined) return [];
  const brought = groups.reduce((sum, group) => sum + group.brought, 0);
  const fixed = cylinders.reduce((sum, carried) => sum + (pinned.has(carried.id) ? carried.weight : 0), 0);
  const carried = cylinders.flatMap((cylinder, c) =>
    pinned.has(cylinder.id) ? [] : serving[c]!.map((z) => `${number(cylinder.weight)} ${z}`),
  );
  const short = groups.map((_, g) => `- ${variable('s', g)}`).join(' ');
  return [`${carried.join(' + ')} ${short} - ${OVER} <= ${number(mostWeight - brought - fixed)}`];
}

const number = (value: number) => value.toFixed(6);

/** The plan that a solution of the model means. @param valueOf the value of a variable in it */
export function truckPlan(task: TruckTask, valueOf: (variable: string) => number): TruckPlan {
  const transfers = groupsOf(task).map((group, g) => {
    const most = group.brought - Math.max(0, valueOf(variable('s', g)));
    return poured(task, group, most, (c) => valueOf(variable('z', c, g)) > 0.5);
  });
  const loads = task.cylinders.flatMap(({ id }) => {
    const found = transfers.flatMap(({ into }) => into.get(id) ?? []);
    return found.length > 0 || task.pinned.has(id) ? [{ cylinder: id, transfers: found }] : [];
  });
  const taken = new Set(loads.map(({ cylinder }) => cylinder));
  return {
    loads,
    short: transfers.flatMap(({ short }) => short),
    weight: task.cylinders.reduce((sum, carried) => sum + (taken.has(carried.id) ? carried.weight : 0), 0),
    overKg: task.mostWeight === undefined ? 0 : Math.max(0, valueOf(OVER)),
  };
}

/**
 * The jobs of a group, those with the fewest cylinders first and then the largest, each into the cylinder that takes it whole with the least
 * left over, else into the roomiest; what is kept for an owner before what anybody may use.
 */
function poured({ cylinders }: TruckTask, { jobs, takings }: Group, most: number, serves: (c: number) => boolean) {
  const serving = [...takings].filter(([c]) => serves(c)).map(([c, own]) => [cylinders[c]!.id, own] as const);
  const free = new Map(serving.map(([id, { room }]) => [id, room]));
  const mayTake = (job: string) => serving.filter(([, { of }]) => of.includes(job));
  const breadth = (id: string) => serving.find(([own]) => own === id)![1].of.length;
  const into = new Map<string, { readonly job: string; readonly kg: number }[]>();
  const short: { readonly job: string; readonly kg: number }[] = [];
  let may = most;
  for (const { id, high } of [...jobs].sort((a, b) => mayTake(a.id).length - mayTake(b.id).length || b.high - a.high)) {
    let left = high;
    while (left >= LEAST_POUR && may >= LEAST_POUR) {
      const open = mayTake(id).flatMap(([own]) => ((free.get(own) ?? 0) >= LEAST_POUR ? [[own, free.get(own)!] as const] : []));
      const whole = open.filter(([, kg]) => kg >= left - LEAST_POUR).sort((a, b) => breadth(a[0]) - breadth(b[0]) || a[1] - b[1])[0];
      const next = whole ?? open.sort((a, b) => breadth(a[0]) - breadth(b[0]) || b[1] - a[1])[0];
      if (next === undefined) break;
      const kg = Math.min(left, next[1], may);
      may -= kg;
      free.set(next[0], next[1] - kg);
      into.set(next[0], [...(into.get(next[0]) ?? []), { job: id, kg }]);
      left -= kg;
    }
    if (left >= LEAST_POUR) short.push({ job: id, kg: left });
  }
  return { into, short };
}
