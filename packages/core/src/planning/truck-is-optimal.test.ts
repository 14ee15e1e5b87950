import fc from 'fast-check';
import highs from 'highs';
import { truckModel, truckPlan, type Carried, type Stop, type TruckPlan, type TruckTask } from './truck';

/** Small trucks, solved a second time by trying everything: each cylinder stays or serves one refrigerant. */
let solver: Awaited<ReturnType<typeof highs>>;
beforeAll(async () => (solver = await highs()));

const groups = ['R-410A', 'R-22', 'R-134a'] as const;
const kilograms = (most: number) => fc.integer({ min: 0, max: most * 10 }).map((tenths) => tenths / 10);

const anyStop = fc.record({ high: kilograms(12), group: fc.constantFrom(...groups) });
const anyCylinder = fc.record({
  weight: fc.integer({ min: 5, max: 30 }),
  onTruck: fc.boolean(),
  evacuated: fc.boolean(),
  rooms: fc.record({ 'R-410A': kilograms(15), 'R-22': kilograms(15), 'R-134a': kilograms(15) }),
  wish: fc.constantFrom('none', 'none', 'none', 'wanted', 'unwanted'),
});
const anyTask = fc
  .record({
    stops: fc.array(anyStop, { minLength: 1, maxLength: 4 }),
    cylinders: fc.array(anyCylinder, { minLength: 0, maxLength: 5 }),
    mostWeight: fc.option(fc.integer({ min: 60, max: 160 }), { nil: undefined }),
  })
  .map(({ stops, cylinders, mostWeight }): TruckTask => {
    const ids = (wish: string) => new Set(cylinders.flatMap((cylinder, k) => (cylinder.wish === wish ? [`c${k}`] : [])));
    const all = stops.map(({ high, group }, k): Stop => ({ id: `s${k}`, low: high, likely: high, high, group }));
    return {
      stops: all.filter(({ high }) => high > 0),
      cylinders: cylinders.map(({ weight, onTruck, evacuated }, k): Carried => ({
        id: `c${k}`,
        weight,
        tare: 0.7 * weight,
        onTruck,
        evacuated,
      })),
      rooms: new Map(
        cylinders.map(({ rooms }, k) => [
          `c${k}`,
          new Map(all.map(({ id, group }) => [id, { objections: [], roomKg: rooms[group as (typeof groups)[number]] }])), // made of these groups
        ]),
      ),
      wanted: ids('wanted'),
      unwanted: ids('unwanted'),
      mostWeight,
    };
  });

function solved(task: TruckTask): { readonly plan: TruckPlan; readonly objective: number } {
  const solution = solver.solve(truckModel(task), { mip_rel_gap: 0 });
  expect(solution.Status).toBe('Optimal');
  const columns = solution.Columns as Record<string, { Primal: number }>;
  return { plan: truckPlan(task, (name) => columns[name]?.Primal ?? 0), objective: solution.ObjectiveValue };
}

/** As the decision has it: a kilogram without room counts 50 000, one too heavy ten times that; a cylinder its steel, 1 for handling, 4 if fetched, 25 if evacuated. */
const costOf = ({ tare, onTruck, evacuated }: Carried) => tare + 1 + (onTruck ? 0 : 4) + (evacuated ? 25 : 0);

/** The least cost of all choices that keep the weight. */
function bestByTrying({ stops, cylinders, rooms, wanted, unwanted, mostWeight }: TruckTask): number {
  const names = [...new Set(stops.map(({ group }) => group))];
  const brought = names.map((name) => stops.filter(({ group }) => group === name).reduce((sum, { high }) => sum + high, 0));
  const roomOf = (id: string, group: string) => {
    const found = rooms.get(id)?.get(stops.find((one) => one.group === group)!.id)?.roomKg ?? 0;
    return found >= 0.01 ? found : 0;
  };
  const choices = (names.length + 1) ** cylinders.length;
  let best = Infinity;
  for (let choice = 0; choice < choices; choice++) {
    const serves = cylinders.map((_, c) => (Math.floor(choice / (names.length + 1) ** c) % (names.length + 1)) - 1);
    if (serves.some((g, c) => g >= 0 && (unwanted.has(cylinders[c]!.id) || roomOf(cylinders[c]!.id, names[g]!) === 0))) continue;
    const short = names.map((name, g) =>
      Math.max(0, brought[g]! - serves.reduce((sum, serve, c) => sum + (serve === g ? roomOf(cylinders[c]!.id, name) : 0), 0)),
    );
    const costs = serves.reduce((sum, g, c) => sum + (g >= 0 && !wanted.has(cylinders[c]!.id) ? costOf(cylinders[c]!) : 0), 0);
    const weighs = cylinders.reduce((sum, carried, c) => sum + (serves[c]! >= 0 || wanted.has(carried.id) ? carried.weight : 0), 0);
    const shortAll = short.reduce((sum, kg) => sum + kg, 0);
    const carried = weighs + brought.reduce((sum, kg) => sum + kg, 0) - shortAll;
    // what is too heavy leaves as much without room, as far as there is anything to leave
    const tooMuch = mostWeight === undefined ? 0 : Math.max(0, carried - mostWeight);
    const left = Math.min(tooMuch, brought.reduce((sum, kg) => sum + kg, 0) - shortAll);
    best = Math.min(best, 50_000 * (shortAll + left) + 500_000 * (tooMuch - left) + costs);
  }
  return best;
}

test('no choice of cylinders costs less than the one that is solved', () => {
  fc.assert(
    fc.property(anyTask, (task) => {
      const best = bestByTrying(task);
      fc.pre(Number.isFinite(best) && task.stops.length > 0);
      expect(solved(task).objective).toBeCloseTo(best, 2);
    }),
    { numRuns: 150 },
  );
});

test('what is planned can be done: no cylinder takes two refrigerants or more than it may, and everything has a place or is called short', () => {
  fc.assert(
    fc.property(anyTask, (task) => {
      fc.pre(task.stops.length > 0 && Number.isFinite(bestByTrying(task)));
      const { plan } = solved(task);
      const groupOf = new Map(task.stops.map(({ id, group }) => [id, group]));
      for (const { cylinder, pours } of plan.loads) {
        expect(task.unwanted.has(cylinder) && pours.length > 0).toBe(false);
        expect(new Set(pours.map(({ stop }) => groupOf.get(stop))).size).toBeLessThanOrEqual(1);
        const room = task.rooms.get(cylinder)?.get(pours[0]?.stop ?? '')?.roomKg ?? 0;
        expect(pours.reduce((sum, { kg }) => sum + kg, 0)).toBeLessThanOrEqual(room + 1e-6);
      }
      for (const { id, high } of task.stops) {
        const into = plan.loads.flatMap(({ pours }) => pours).filter(({ stop }) => stop === id);
        const short = plan.short.filter(({ stop }) => stop === id);
        const placed = [...into, ...short].reduce((sum, { kg }) => sum + kg, 0);
        expect(Math.abs(placed - high)).toBeLessThan(0.02);
      }
      for (const id of task.wanted) expect(plan.loads.some(({ cylinder }) => cylinder === id)).toBe(true);
    }),
    { numRuns: 150 },
  );
});
