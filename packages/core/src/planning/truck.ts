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
  /** kg on the truck when it leaves, and of the steel alone. */
  readonly weight: number;
  readonly tare: number;
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
  /** kg above what the truck may carry, because a person wants more along than it bears. */
  readonly overKg: number;
}

/** A pour that can just be told is worth more than any cylinder that could be fetched for it; what the truck cannot bear, more still. */
const SHORTAGE = 50_000;
const OVERWEIGHT = 10 * SHORTAGE;
/**
 * Steel costs its weight; its content is carried for the reclaimer in any case. Fetching costs as much as carrying this many kg; opening an
 * evacuated cylinder as much as a large one weighs: what is begun is filled first (common practice).
 */
const FETCHING = 4;
const OPENING = 25;
/** A whole cylinder that is taken costs some handling beside its weight. */
const HANDLING = 1;
const LEAST_POUR = 0.01;

const variable = (kind: string, ...at: readonly number[]) => `${kind}_${at.join('_')}`;

/** What one cylinder takes of a group, kg, and of which of its stops: one that is kept for an owner takes only of that owner's. */
interface Taking {
  readonly room: number;
  readonly of: readonly string[];
}

interface Group {
  readonly stops: readonly Stop[];
  /** kg that all of them may bring. */
  readonly brought: number;
  /** By place in the list of cylinders; absent where it takes nothing of it. */
  readonly takings: ReadonlyMap<number, Taking>;
}

/** Stops that may share cylinders, and what each cylinder takes of which of them: the least of what it takes of any of those. */
function groupsOf({ stops, cylinders, rooms }: TruckTask): readonly Group[] {
  return [...new Set(stops.map(({ group }) => group))].map((name) => {
    const values = stops.filter(({ group }) => group === name);
    const takings = cylinders.flatMap(({ id }, c) => {
      const open = values.flatMap((stop) => {
        const suited = rooms.get(id)?.get(stop.id);
        return suited === undefined || suited.objections.length > 0 || suited.roomKg < LEAST_POUR
          ? []
          : [{ id: stop.id, kg: suited.roomKg }];
      });
      return open.length === 0 ? [] : [[c, { room: Math.min(...open.map(({ kg }) => kg)), of: open.map((one) => one.id) }] as const];
    });
    return { stops: values, brought: sumOf(values), takings: new Map(takings) };
  });
}

const sumOf = (stops: readonly Stop[]) => stops.reduce((sum, { high }) => sum + high, 0);

/** Cylinders of a group that take only of some of its stops, by which: together they take no more than those bring. */
function partsOf({
  stops,
  takings,
}: Group): readonly { readonly demand: number; readonly takings: readonly (readonly [number, Taking])[] }[] {
  const partial = [...takings].filter(([, { of }]) => of.length < stops.length);
  const keys = [...new Set(partial.map(([, { of }]) => of.join(' ')))];
  return keys.map((key) => {
    const values = partial.filter(([, { of }]) => of.join(' ') === key);
    return { demand: sumOf(stops.filter(({ id }) => key.split(' ').includes(id))), takings: values };
  });
}

/**
 * The choice of cylinders as a mixed-integer program in the LP format: least shortage first, then the least carried, fetched and opened.
 * z: a cylinder serves a group of stops, at most one; y: kg that cylinders take which may take of some stops only; s: kg of a group without
 * room; over: kg more than the truck may carry. Which stop of a group goes into which of its cylinders changes nothing of it, and is decided
 * afterwards: with it the proof of the optimum took twice as long as a person waits.
 */
export function truckModel(task: TruckTask): string {
  const { cylinders } = task;
  const groups = groupsOf(task);
  const serving = cylinders.map((_, c) => groups.flatMap((group, g) => (group.takings.has(c) ? [variable('z', c, g)] : [])));
  // what a person wants comes along in any case: to use it costs nothing more
  const costs = cylinders.flatMap((cylinder, c) =>
    task.wanted.has(cylinder.id) ? [] : serving[c]!.map((z) => `${number(costOf(cylinder))} ${z}`),
  );
  const constraints = [
    ...groups.flatMap(coverage),
    ...serving.flatMap((values, c) => {
      if (values.length === 0) return [];
      if (task.unwanted.has(cylinders[c]!.id)) return [`${values.join(' + ')} = 0`];
      return [`${values.join(' + ')} <= 1`];
    }),
    ...weightLimit(task, groups, serving),
  ];
  const binaries = serving.flat();
  const short = groups.map((_, g) => `${SHORTAGE} ${variable('s', g)}`);
  return [
    'Minimize',
    ` obj: ${[...short, ...(task.mostWeight === undefined ? [] : [`${OVERWEIGHT} ${OVER}`]), ...costs].join(' + ')}`,
    'Subject To',
    ...constraints.map((line, k) => ` c${k}: ${line}`),
    'Bounds',
    ...groups.map(({ brought }, g) => ` ${variable('s', g)} <= ${number(brought)}`),
    ...(binaries.length === 0 ? [] : ['Binary', ` ${binaries.join(' ')}`]),
    'End',
  ].join('\n');
}

const OVER = 'over';

/** What is brought has room or is short; what only some stops may use is no room for the others. */
function coverage(group: Group, g: number): readonly string[] {
  const { stops, brought, takings } = group;
  const term = ([c, { room }]: readonly [number, Taking], most: number) => `${number(Math.min(room, most))} ${variable('z', c, g)}`;
  const shared = [...takings].filter(([, { of }]) => of.length === stops.length).map((entry) => term(entry, brought));
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
  { cylinders, mostWeight, wanted }: TruckTask,
  groups: readonly Group[],
  serving: readonly (readonly string[])[],
): readonly string[] {
  if (mostWeight === undefined) return [];
  const brought = groups.reduce((sum, group) => sum + group.brought, 0);
  const fixed = cylinders.reduce((sum, carried) => sum + (wanted.has(carried.id) ? carried.weight : 0), 0);
  const carried = cylinders.flatMap((cylinder, c) =>
    wanted.has(cylinder.id) ? [] : serving[c]!.map((z) => `${number(cylinder.weight)} ${z}`),
  );
  const short = groups.map((_, g) => `- ${variable('s', g)}`).join(' ');
  return [`${carried.join(' + ')} ${short} - ${OVER} <= ${number(mostWeight - brought - fixed)}`];
}

const number = (value: number) => value.toFixed(4);
const costOf = ({ tare, onTruck, evacuated }: Carried) => tare + HANDLING + (onTruck ? 0 : FETCHING) + (evacuated ? OPENING : 0);

/** The plan that a solution of the model means. @param valueOf the value of a variable in it */
export function truckPlan(task: TruckTask, valueOf: (variable: string) => number): TruckPlan {
  const pours = groupsOf(task).map((group, g) => {
    const most = group.brought - Math.max(0, valueOf(variable('s', g)));
    return poured(task, group, most, (c) => valueOf(variable('z', c, g)) > 0.5);
  });
  const loads = task.cylinders.flatMap(({ id }) => {
    const found = pours.flatMap(({ into }) => into.get(id) ?? []);
    return found.length > 0 || task.wanted.has(id) ? [{ cylinder: id, pours: found }] : [];
  });
  const taken = new Set(loads.map(({ cylinder }) => cylinder));
  return {
    loads,
    short: pours.flatMap(({ short }) => short),
    weight: task.cylinders.reduce((sum, carried) => sum + (taken.has(carried.id) ? carried.weight : 0), 0),
    overKg: task.mostWeight === undefined ? 0 : Math.max(0, valueOf(OVER)),
  };
}

/**
 * The stops of a group, those with the fewest cylinders first and then the largest, each into the cylinder that takes it whole with the least
 * left over, else into the roomiest; what is kept for an owner before what anybody may use.
 */
function poured({ cylinders }: TruckTask, { stops, takings }: Group, most: number, serves: (c: number) => boolean) {
  const serving = [...takings].filter(([c]) => serves(c)).map(([c, own]) => [cylinders[c]!.id, own] as const);
  const free = new Map(serving.map(([id, { room }]) => [id, room]));
  const mayTake = (stop: string) => serving.filter(([, { of }]) => of.includes(stop));
  const breadth = (id: string) => serving.find(([own]) => own === id)![1].of.length;
  const into = new Map<string, { readonly stop: string; readonly kg: number }[]>();
  const short: { readonly stop: string; readonly kg: number }[] = [];
  let may = most;
  for (const { id, high } of [...stops].sort((a, b) => mayTake(a.id).length - mayTake(b.id).length || b.high - a.high)) {
    let left = high;
    while (left >= LEAST_POUR && may >= LEAST_POUR) {
      const open = mayTake(id).flatMap(([own]) => ((free.get(own) ?? 0) >= LEAST_POUR ? [[own, free.get(own)!] as const] : []));
      const whole = open.filter(([, kg]) => kg >= left - LEAST_POUR).sort((a, b) => breadth(a[0]) - breadth(b[0]) || a[1] - b[1])[0];
      const next = whole ?? open.sort((a, b) => breadth(a[0]) - breadth(b[0]) || b[1] - a[1])[0];
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
