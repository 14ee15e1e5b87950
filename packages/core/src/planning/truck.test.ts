import highs from 'highs';
import { lpSolver } from '../lp-solver';
import { solveTruck } from './solve-truck';
import type { Carried, TruckJob, TruckPlan, TruckTask } from './truck';

const job = (id: string, high: number, group = 'R-410A'): TruckJob => ({ id, low: 0.8 * high, likely: 0.9 * high, high, group });
const carried = (id: string, more: Partial<Carried> = {}): Carried => ({
  id,
  weight: 8,
  tare: more.weight ?? 8,
  onTruck: true,
  evacuated: true,
  ...more,
});

/** Rooms from a table: cylinder → job → kg; what is not in it may not go together. */
function task(
  jobs: readonly TruckJob[],
  cylinders: readonly Carried[],
  rooms: Record<string, Record<string, number>>,
  more: Partial<TruckTask> = {},
): TruckTask {
  return {
    jobs,
    cylinders,
    rooms: new Map(
      Object.entries(rooms).map(([id, own]) => [id, new Map(Object.entries(own).map(([to, roomKg]) => [to, { objections: [], roomKg }]))]),
    ),
    pinned: new Set(),
    excluded: new Set(),
    ...more,
  };
}

let solver: Awaited<ReturnType<typeof highs>>;
beforeAll(async () => (solver = await highs()));

function solved(truckTask: TruckTask): TruckPlan {
  const { plan, proved } = solveTruck(truckTask, lpSolver(solver.solve));
  expect(proved).toBe(true);
  return plan;
}
const taken = (plan: TruckPlan) => plan.loads.map(({ cylinder }) => cylinder);

test('one cylinder that takes it all is enough, and the lightest of those', () => {
  const plan = solved(task([job('a', 5)], [carried('big', { weight: 12 }), carried('small')], { big: { a: 17 }, small: { a: 9 } }));
  expect(taken(plan)).toEqual(['small']);
  expect(plan).toMatchObject({ short: [], weight: 8 });
  expect(plan.loads[0]!.transfers).toEqual([{ job: 'a', kg: expect.closeTo(5, 3) }]);
});

test('two refrigerants never share a cylinder, however much room it has', () => {
  const jobs = [job('a', 3, 'R-410A'), job('b', 3, 'R-22')];
  const plan = solved(task(jobs, [carried('one'), carried('two')], { one: { a: 20, b: 20 }, two: { a: 20, b: 20 } }));
  expect(taken(plan)).toEqual(['one', 'two']);
  for (const { transfers } of plan.loads) expect(transfers).toHaveLength(1);
});

test('two jobs of one refrigerant share one, up to its room', () => {
  const jobs = [job('a', 4), job('b', 5)];
  const plan = solved(task(jobs, [carried('one'), carried('two')], { one: { a: 9.5, b: 9.5 }, two: { a: 9.5, b: 9.5 } }));
  expect(taken(plan)).toHaveLength(1);
  const tight = solved(task(jobs, [carried('one'), carried('two')], { one: { a: 8, b: 8 }, two: { a: 8, b: 8 } }));
  expect(taken(tight)).toEqual(['one', 'two']);
});

test('what is on the truck is taken before what has to be fetched, and what is begun before what is evacuated', () => {
  const rooms = { shop: { a: 9 }, van: { a: 9 } };
  expect(taken(solved(task([job('a', 5)], [carried('shop', { onTruck: false }), carried('van')], rooms)))).toEqual(['van']);
  const begun = { fresh: { a: 9 }, begun: { a: 9 } };
  expect(taken(solved(task([job('a', 5)], [carried('fresh'), carried('begun', { evacuated: false })], begun)))).toEqual(['begun']);
});

test('where room is missing the plan takes what there is and says how much is short', () => {
  const plan = solved(task([job('a', 12)], [carried('one')], { one: { a: 7.5 } }));
  expect(plan.short).toEqual([{ job: 'a', kg: expect.closeTo(4.5, 3) }]);
  expect(taken(plan)).toEqual(['one']);
});

test('a cylinder that a person wants comes along, one that is not wanted stays', () => {
  const rooms = { one: { a: 9 }, two: { a: 9 } };
  const carriedCylinders = [carried('one'), carried('two')];
  expect(taken(solved(task([job('a', 5)], carriedCylinders, rooms, { pinned: new Set(['two']) })))).toEqual(['two']);
  expect(taken(solved(task([job('a', 5)], carriedCylinders, rooms, { pinned: new Set(['one', 'two']) })))).toEqual(['one', 'two']);
  expect(solved(task([job('a', 5)], carriedCylinders, rooms, { excluded: new Set(['one', 'two']) })).short).toHaveLength(1);
});

test('a begun cylinder is filled before a new one is opened, whatever it carries already', () => {
  const rooms = { begun: { a: 6 }, fresh: { a: 9 } };
  const carriedCylinders = [carried('begun', { weight: 12.8, tare: 7.8, evacuated: false }), carried('fresh', { weight: 7.8 })];
  expect(taken(solved(task([job('a', 3)], carriedCylinders, rooms)))).toEqual(['begun']);
});

test('a cylinder kept for one owner takes of that owner, and is no room for the other', () => {
  const jobs = [job('a', 3), job('b', 6)];
  const carriedCylinders = [carried('clean'), carried('shared')];
  const plan = solved(task(jobs, carriedCylinders, { clean: { a: 9 }, shared: { a: 6, b: 6 } }));
  expect(plan.short).toEqual([]);
  expect(plan.loads).toEqual([
    { cylinder: 'clean', transfers: [{ job: 'a', kg: expect.closeTo(3, 3) }] },
    { cylinder: 'shared', transfers: [{ job: 'b', kg: expect.closeTo(6, 3) }] },
  ]);
  const alone = solved(task(jobs, [carried('clean')], { clean: { a: 9 } }));
  expect(alone.short).toEqual([{ job: 'b', kg: expect.closeTo(6, 3) }]);
});

test('what a person wants beyond what the truck bears is told as overweight, and makes nothing short that had room', () => {
  const pinned = new Set(['one', 'heavy']);
  const carriedCylinders = [carried('one', { weight: 8 }), carried('heavy', { weight: 30 })];
  const plan = solved(task([job('a', 3)], carriedCylinders, { one: { a: 9 } }, { pinned, mostWeight: 35 }));
  expect(plan.overKg).toBeCloseTo(3, 3);
  expect(plan.short).toEqual([{ job: 'a', kg: expect.closeTo(3, 3) }]);
  expect(solved(task([job('a', 3)], carriedCylinders, { one: { a: 9 } }, { pinned, mostWeight: 50 })).overKg).toBe(0);
});

test('half a kilogram without room is worth a half-ton cylinder', () => {
  const carriedCylinders = [carried('half-ton', { weight: 650, tare: 150, onTruck: false })];
  expect(taken(solved(task([job('a', 0.05)], carriedCylinders, { 'half-ton': { a: 9 } })))).toEqual(['half-ton']);
});

test('what the truck may carry is not exceeded with what goes in', () => {
  const plan = solved(task([job('a', 9)], [carried('one', { weight: 10 })], { one: { a: 9 } }, { mostWeight: 15 }));
  expect(plan.short[0]?.kg).toBeCloseTo(4, 3);
});

test('twelve visits and sixty cylinders: no plan found by hand is better', () => {
  const groups = ['R-410A', 'R-22', 'R-134a', 'R-407C'];
  const jobs = Array.from({ length: 12 }, (_, k) => job(`s${k}`, 2 + ((k * 7) % 11), groups[k % 4]));
  const cylinders = Array.from({ length: 60 }, (_, k) =>
    carried(`c${k}`, { weight: 7 + (k % 5) * 2, onTruck: k % 3 === 0, evacuated: k % 2 === 0 }),
  );
  const rooms = Object.fromEntries(
    cylinders.map(({ id }, k) => [
      id,
      Object.fromEntries(
        jobs.filter(({ group }) => k % 2 === 0 || group === groups[(k >> 1) % 4]).map(({ id: to }) => [to, 3 + (k % 6) * 2.5]),
      ),
    ]),
  );
  const truckTask = task(jobs, cylinders, rooms);
  const plan = solved(truckTask);
  expect(plan.short).toEqual([]);
  for (const { id, high } of jobs) {
    const kg = plan.loads
      .flatMap(({ transfers }) => transfers)
      .filter((transfer) => transfer.job === id)
      .reduce((sum, transfer) => sum + transfer.kg, 0);
    expect(kg).toBeCloseTo(high, 3);
  }
  // by hand: for each refrigerant the roomiest first
  const cost = (ids: readonly string[]) =>
    ids.reduce((sum, id) => {
      const c = cylinders.find((one) => one.id === id)!;
      return sum + c.tare + 1 + (c.onTruck ? 0 : 4) + (c.evacuated ? 25 : 0);
    }, 0);
  const free = new Set(cylinders.map(({ id }) => id));
  const byHand = groups.flatMap((group) => {
    let left = jobs.filter((one) => one.group === group).reduce((sum, { high }) => sum + high, 0);
    const first = jobs.find((one) => one.group === group)!.id;
    const used: string[] = [];
    for (const id of [...free].sort((a, b) => (rooms[b]![first] ?? 0) - (rooms[a]![first] ?? 0))) {
      if (left <= 0) break;
      used.push(id);
      free.delete(id);
      left -= rooms[id]![first] ?? 0;
    }
    return used;
  });
  expect(cost(taken(plan))).toBeLessThanOrEqual(cost(byHand) + 1e-6);
});
