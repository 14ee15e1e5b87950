import type { Suitability } from '../cylinder/suitability';

/** What a visit may bring, kg: as little as `low`, as much as `high`; the truck is loaded for `high`. */
export interface Stop {
  readonly id: string;
  readonly low: number;
  readonly likely: number;
  readonly high: number;
  /** Stops of one group may share a cylinder: same refrigerant, quality and owner where it is kept apart. */
  readonly group: string;
}

export interface Carried {
  readonly id: string;
  /** kg on the truck when it leaves. */
  readonly weight: number;
  /** Whether it stands on the truck already: what is there need not be fetched. */
  readonly onTruck: boolean;
  readonly evacuated: boolean;
}

export interface TruckTask {
  readonly stops: readonly Stop[];
  readonly cylinders: readonly Carried[];
  /** What each cylinder may take of a stop's refrigerant, by cylinder and stop. */
  readonly rooms: ReadonlyMap<string, ReadonlyMap<string, Pick<Suitability, 'objections' | 'roomKg'>>>;
  /** Cylinders that a person wants on the truck, or not. */
  readonly wanted: ReadonlySet<string>;
  readonly unwanted: ReadonlySet<string>;
  /** kg that the truck may carry of cylinders and their content; no limit where it is absent. */
  readonly mostWeight?: number | undefined;
}

export interface TruckPlan {
  /** Cylinders to take, with what goes where. */
  readonly loads: readonly { readonly cylinder: string; readonly pours: readonly { readonly stop: string; readonly kg: number }[] }[];
  /** Stops for which room is missing, kg. */
  readonly short: readonly { readonly stop: string; readonly kg: number }[];
  /** kg of all that is taken, when it leaves. */
  readonly weight: number;
}

/** A kilogram without room weighs more than any cylinder that could be fetched for it. */
const SHORTAGE = 1000;
/** Fetching a cylinder from elsewhere costs as much as carrying this many kg; opening an evacuated one a little (common practice: fill what is begun). */
const FETCHING = 4;
const OPENING = 2;
/** A whole cylinder that is taken costs some handling beside its weight. */
const HANDLING = 1;
const LEAST_POUR = 0.01;

const variable = (kind: string, ...at: readonly number[]) => `${kind}_${at.join('_')}`;

interface Group {
  readonly stops: readonly Stop[];
  /** kg that all of them may bring. */
  readonly brought: number;
  /** kg that each cylinder may take of it, by place in the list of cylinders; absent where it must not. */
  readonly rooms: ReadonlyMap<number, number>;
}

/** Stops that may share cylinders, and what each cylinder takes of them: the least of what it takes of any. */
function groupsOf({ stops, cylinders, rooms }: TruckTask): readonly Group[] {
  return [...new Set(stops.map(({ group }) => group))].map((name) => {
    const own = stops.filter(({ group }) => group === name);
    const least = (id: string) =>
      Math.min(
        ...own.map((stop) => {
          const suited = rooms.get(id)?.get(stop.id);
          return suited === undefined || suited.objections.length > 0 ? 0 : suited.roomKg;
        }),
      );
    const taking = cylinders.map(({ id }, c) => [c, least(id)] as const).filter(([, kg]) => kg >= LEAST_POUR);
    return { stops: own, brought: own.reduce((sum, { high }) => sum + high, 0), rooms: new Map(taking) };
  });
}

/**
 * The choice of cylinders as a mixed-integer program in the LP format: least shortage first, then the least carried, fetched and opened.
 * z: a cylinder serves a group of stops, at most one; s: kg of a group without room. Which stop of a group goes into which of its
 * cylinders changes neither, and is decided afterwards: with it the proof of the optimum took twice as long as a person waits.
 */
export function truckModel(task: TruckTask): string {
  const { cylinders } = task;
  const groups = groupsOf(task);
  const serving = cylinders.map((_, c) => groups.flatMap((group, g) => (group.rooms.has(c) ? [variable('z', c, g)] : [])));
  // what a person wants comes along in any case: to use it costs nothing more
  const costs = cylinders.flatMap((own, c) => (task.wanted.has(own.id) ? [] : serving[c]!.map((z) => `${number(costOf(own))} ${z}`)));
  const constraints = [
    ...groups.map(({ rooms, brought }, g) => {
      const taking = [...rooms].map(([c, kg]) => `${number(Math.min(kg, brought))} ${variable('z', c, g)}`);
      return `${[...taking, variable('s', g)].join(' + ')} >= ${number(brought)}`;
    }),
    ...serving.flatMap((own, c) => {
      if (own.length === 0) return [];
      if (task.unwanted.has(cylinders[c]!.id)) return [`${own.join(' + ')} = 0`];
      return [`${own.join(' + ')} <= 1`];
    }),
    ...weightLimit(task, groups, serving),
  ];
  const binaries = serving.flat();
  return [
    'Minimize',
    ` obj: ${[...groups.map((_, g) => `${SHORTAGE} ${variable('s', g)}`), ...costs].join(' + ')}`,
    'Subject To',
    ...constraints.map((line, k) => ` c${k}: ${line}`),
    ...(binaries.length === 0 ? [] : ['Binary', ` ${binaries.join(' ')}`]),
    'End',
  ].join('\n');
}

/** Cylinders as they leave, and what will be in them when they come back. Those a person wants come along in any case. */
function weightLimit(
  { cylinders, mostWeight, wanted }: TruckTask,
  groups: readonly Group[],
  serving: readonly (readonly string[])[],
): readonly string[] {
  if (mostWeight === undefined) return [];
  const brought = groups.reduce((sum, group) => sum + group.brought, 0);
  const fixed = cylinders.reduce((sum, own) => sum + (wanted.has(own.id) ? own.weight : 0), 0);
  const carried = cylinders.flatMap((own, c) => (wanted.has(own.id) ? [] : serving[c]!.map((z) => `${number(own.weight)} ${z}`)));
  const short = groups.map((_, g) => `- ${variable('s', g)}`).join(' ');
  return [`${carried.join(' + ')} ${short} <= ${number(mostWeight - brought - fixed)}`];
}

const number = (value: number) => value.toFixed(4);
const costOf = ({ weight, onTruck, evacuated }: Carried) => weight + HANDLING + (onTruck ? 0 : FETCHING) + (evacuated ? OPENING : 0);

/** The plan that a solution of the model means. @param valueOf the value of a variable in it */
export function truckPlan(task: TruckTask, valueOf: (variable: string) => number): TruckPlan {
  const pours = groupsOf(task).map((group, g) => {
    const most = group.brought - Math.max(0, valueOf(variable('s', g)));
    return poured(task, group, most, (c) => valueOf(variable('z', c, g)) > 0.5);
  });
  const loads = task.cylinders.flatMap(({ id }) => {
    const own = pours.flatMap(({ into }) => into.get(id) ?? []);
    return own.length > 0 || task.wanted.has(id) ? [{ cylinder: id, pours: own }] : [];
  });
  const taken = new Set(loads.map(({ cylinder }) => cylinder));
  return {
    loads,
    short: pours.flatMap(({ short }) => short),
    weight: task.cylinders.reduce((sum, own) => sum + (taken.has(own.id) ? own.weight : 0), 0),
  };
}

/** The stops of a group, the largest first, each into the cylinder that takes it whole with the least left over; else into the roomiest. */
function poured({ cylinders }: TruckTask, { stops, rooms }: Group, most: number, serves: (c: number) => boolean) {
  const free = new Map([...rooms].filter(([c]) => serves(c)).map(([c, kg]) => [cylinders[c]!.id, kg]));
  const into = new Map<string, { readonly stop: string; readonly kg: number }[]>();
  const short: { readonly stop: string; readonly kg: number }[] = [];
  let may = most;
  for (const { id, high } of [...stops].sort((a, b) => b.high - a.high)) {
    let left = high;
    while (left >= LEAST_POUR && may >= LEAST_POUR) {
      const open = [...free].filter(([, kg]) => kg >= LEAST_POUR);
      const whole = open.filter(([, kg]) => kg >= left - LEAST_POUR).sort((a, b) => a[1] - b[1])[0];
      const next = whole ?? open.sort((a, b) => b[1] - a[1])[0];
      if (next === undefined) break;
      const kg = Math.min(left, next[1], may);
      may -= kg;
      free.set(next[0], next[1] - kg);
      into.set(next[0], [...(into.get(next[0]) ?? []), { stop: id, kg }]);
      left -= kg;
    }
    if (left >= LEAST_POUR) short.push({ stop: id, kg: left });
  }
  return { into, short };
}
