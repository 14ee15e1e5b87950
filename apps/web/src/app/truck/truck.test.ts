import type { Visit } from '@hygromet/contract/visit';
import type { TruckPlan, TruckTask } from '@hygromet/core/planning/truck';
import { of, throwError } from 'rxjs';
import { aCylinder, aSystem, aVisit, render, stage } from '../../../test/scene';
import { dayOf } from '../ui/day';
import { TruckSolver } from './truck-solver.service';
import { TruckPage } from './truck.page';
import { beforeSentence, notToBeDriven, otherThings, remedy } from './truck-labels';
import { truckVisits } from './truck-task';

const DAY = '2026-11-27';
const visit = (more: Partial<Visit> = {}): Visit => aVisit({ day: DAY, ...more });
const plan = (more: object) =>
  ({
    method: 'recover',
    proposed: 'recover',
    why: '',
    failed: 'condenser',
    ambientK: 300,
    standingPa: null,
    factsVersion: 1,
    ...more,
  }) as never;
const empty = (name: string, more: object = {}) =>
  aCylinder({
    id: name,
    name,
    refrigerant: null,
    composition: null,
    contentKg: 0,
    evacuatedAt: '2026-11-20T08:00:00.000Z',
    fillStatus: { state: 'empty' },
    ...more,
  });

async function open(
  answer: (task: TruckTask) => TruckPlan,
  serverData: Record<string, unknown> = {},
  drafts: Record<string, object> = {},
  day = DAY,
) {
  const tasks: TruckTask[] = [];
  const solve$ = (task: TruckTask) => {
    tasks.push(task);
    return of({ plan: answer(task), proved: true });
  };
  const { kept } = stage({
    query: { day },
    drafts,
    serverData: { visits$: of([visit()]), cylinders$: of([aCylinder(), empty('C-11', { place: 'workshop' })]), ...serverData },
    providers: [{ provide: TruckSolver, useValue: { solve$, goal: () => undefined } }],
  });
  return { ...(await render(TruckPage)), tasks, kept };
}
const into =
  (...loads: [string, number][]) =>
  (): TruckPlan => ({
    loads: loads.map(([cylinder, kg]) => ({ cylinder, transfers: kg > 0 ? [{ job: 'v1', kg }] : [] })),
    short: [],
    weight: 20,
    overKg: 0,
  });

test('what a visit may bring, and the room for it in every cylinder, go to the solver', async () => {
  const { tasks, text } = await open(into(['c7', 6]));
  const [task] = tasks;
  expect(task!.jobs[0]).toMatchObject({ id: 'v1', likely: 8.98, high: expect.closeTo(9.878, 6) });
  expect(task!.rooms.get('c7')?.get('v1')?.objections).toEqual([]);
  expect(task!.rooms.get('c7')?.get('v1')?.roomKg).toBeGreaterThan(6);
  expect(task!.cylinders.find(({ id }) => id === 'C-11')).toMatchObject({ onTruck: false, evacuated: true });
  expect(text()).toContain('17.8 to 21.8 lb of R-410A');
  expect(text()).toContain('Proved: no choice leaves less without room; of those, none opens fewer');
});

test('what has to be fetched is said with the reason', async () => {
  const { text } = await open(into(['c7', 6.4], ['C-11', 3.4]));
  expect(text()).toMatch(
    /Take C-11 from the workshop as well: Planetarium may bring up to 21\.8 lb of R-410A, and only 13\.\d lb fit into what is free in the van\./,
  );
});

test('several from one place are named together', async () => {
  const cylinders$ = of([empty('C-11', { place: 'workshop' }), empty('C-12', { place: 'workshop' }), empty('C-13', { place: 'site' })]);
  const { text } = await open(into(['C-11', 3], ['C-12', 3], ['C-13', 3]), { cylinders$ });
  expect(text()).toContain('Take C-11 and C-12 from the workshop and C-13 from the site as well: Planetarium may bring');
});

test('one cylinder too few: how much is short, and the remedy', async () => {
  const missing = (): TruckPlan => ({ loads: [], short: [{ job: 'v1', kg: 3.5 }], weight: 0, overKg: 0 });
  const cylinders$ = of([empty('C-99', { evacuatedAt: null })]);
  const { text } = await open(missing, { cylinders$ });
  expect(text()).toMatch(/Planetarium: 7\.8 lb of R-410A will not fit\. Evacuate C-99 tonight: it takes 2\d\.\d lb\./);
});

test('a cylinder taken along or removed manually is solved again at once, and remembered', async () => {
  const { press, tasks, kept } = await open(into(['c7', 6]));
  await press('Take C-11 along');
  expect([...tasks.at(-1)!.pinned]).toEqual(['C-11']);
  await press('Leave C-07 here');
  expect([...tasks.at(-1)!.excluded]).toEqual(['c7']);
  expect(kept['hygromet.draft.truck']).toContain('C-11');
});

test('what was chosen for one day says nothing of another', async () => {
  const choices = { [DAY]: { pinned: [], excluded: ['c7'] }, '2026-11-28': { pinned: ['C-11'], excluded: [] } };
  const { tasks } = await open(into(['c7', 6]), {}, { truck: { choices } });
  expect([[...tasks.at(-1)!.pinned], [...tasks.at(-1)!.excluded]]).toEqual([[], ['c7']]);
});

test('what is carried over from earlier days is named on the truck of today, and counted once it is planned for today', async () => {
  const moved: unknown[] = [];
  const today = dayOf(new Date());
  const serverData = {
    visits$: of([visit({ day: '2020-01-02' })]),
    addVisitEvent$: (...args: unknown[]) => (moved.push(args), of(visit())),
  };
  const { press, text, tasks } = await open(into(), serverData, {}, today);
  expect(tasks.at(-1)!.jobs).toEqual([]);
  expect(text()).toContain('Planetarium carried over from Thu, Jan 2, 2020 – not included');
  await press('Plan the visit to Planetarium for today');
  expect(moved).toMatchObject([['v1', { kind: 'moved', version: 1, day: today, recordedBy: 'Ines Marrow' }]]);
});

test('the weight the truck may carry is a limit of the plan', async () => {
  const { type, tasks } = await open(into(['c7', 6]));
  await type('Cylinders may weigh at most', '220');
  expect(tasks.at(-1)!.mostWeight).toBeCloseTo(99.79, 2);
});

test('that limit is asked in the unit of the person', async () => {
  const { type, tasks } = await open(into(['c7', 6]), {}, { preferences: { mass: 'kg' } });
  await type('Cylinders may weigh at most', '100');
  expect(tasks.at(-1)!.mostWeight).toBe(100);
});

test('a solver that fails says so', async () => {
  stage({
    query: { day: DAY },
    serverData: { visits$: of([visit()]) },
    providers: [
      {
        provide: TruckSolver,
        useValue: { goal: () => undefined, solve$: () => throwError(() => new Error('the solver could not be loaded')) },
      },
    ],
  });
  expect((await render(TruckPage)).text()).toContain('the solver could not be loaded');
});

test('what a burnt-out compressor leaves is kept apart from the same refrigerant of others', () => {
  const systems = [aSystem()];
  const [clean, burnt] = [false, true].map((burntOut) => truckVisits([visit({ plan: plan({ burntOut }) })], systems, DAY, () => false)[0]!);
  expect([clean!.quality, burnt!.quality]).toEqual(['usual', 'burnt']);
  expect(burnt!.job.group).not.toBe(clean!.job.group);
});

test('what stays in its own condenser needs no cylinder; other days and closed visits do not count', () => {
  const systems = [aSystem()];
  const one = (entry: Partial<Visit>) => truckVisits([visit(entry)], systems, DAY, () => false);
  expect(one({ plan: plan({ method: 'pump-down-condenser' }) })[0]).toMatchObject({ needsMachine: false, job: { high: 0 } });
  expect(one({ plan: plan({}) })[0]).toMatchObject({ needsMachine: true });
  expect([one({ day: '2026-11-28' }), one({ state: 'closed' })]).toEqual([[], []]);
});

test('what was seen of a system counts on the truck before what is on record', () => {
  const content = { low: 0.1, likely: 0.3, high: 0.5 };
  const [seen] = truckVisits([visit()], [aSystem()], DAY, () => false, new Map([[visit().id, content]]));
  expect(seen!.job).toMatchObject(content);
  const [unseen] = truckVisits([visit()], [aSystem()], DAY, () => false);
  expect(unseen!.job.likely).toBe(aSystem().contentKg);
});

describe('words', () => {
  const tell = { massText: (kg: number) => `${kg.toFixed(1)} kg`, pressureStep: () => '' };
  const [own] = truckVisits([visit()], [aSystem()], DAY, () => false);
  test('without anything at hand: what to get, and which full one could be sent in', () => {
    expect(remedy(3, own!, [], [], tell)).toBe(
      'Planetarium: 3.0 kg of R-410A will not fit. Get an evacuated recovery cylinder of the class for R-410A.',
    );
    const full = aCylinder({
      fillStatus: {
        state: 'limited',
        ruling: 'eighty-percent-77F',
        limitGrossKg: 17,
        stopGrossKg: 17,
        mayAddKg: 0.4,
        liquidShare77F: 0.7,
        stopShare77F: 0.8,
      },
    });
    expect(remedy(3, own!, [], [full], tell)).toContain('or exchange C-07 at the reclaimer');
  });
  test('what burns needs a cylinder rated for it', () => {
    const suited = [{ id: 'c7', objections: ['not-for-flammable' as const], roomKg: 4 }];
    expect(remedy(3, own!, suited, [aCylinder()], tell)).toMatch(/It is flammable: .* C-07 would take it if its collar says so/);
  });
  test('what stands in the van overfilled or of too low a class is named before anybody drives', () => {
    const some = [
      aCylinder({ flags: ['overfilled'] }),
      aCylinder({ name: 'C-08', flags: ['pressure-rating-too-low'] }),
      aCylinder({ name: 'C-09' }),
    ];
    expect(notToBeDriven(some)).toEqual([expect.stringMatching(/^C-07 .* overfilled/), expect.stringMatching(/^C-08 .* class is too low/)]);
    expect(notToBeDriven([aCylinder({ flags: ['overfilled'], place: 'workshop' })])).toEqual([]);
  });
  test('a plan for a later day says which visits may change it', () => {
    expect(beforeSentence([])).toBeUndefined();
    expect(beforeSentence([visit(), visit()])).toMatch(/What is filled before then \(Planetarium\) takes room/);
  });
  test('machine, nitrogen and driers follow from the plans', () => {
    const what = (more: Partial<Visit>, system = aSystem()) =>
      otherThings(truckVisits([visit(more)], [system], DAY, (id) => id === 'R-32')).map((thing) => thing.what);
    expect(what({ plan: plan({ method: 'nothing', failed: 'none' }) })).toEqual(['No recovery machine']);
    expect(what({})).toEqual(expect.arrayContaining(['Dry nitrogen with its regulator', '1 drier']));
    expect(what({}, aSystem({ refrigerant: 'R-32' }))).toContain('Machine and hoses rated for flammables, a detector, a fan');
    expect(what({ plan: plan({ method: 'pierce' }) })).toContain('Piercing valve and a port to replace it');
  });
});
