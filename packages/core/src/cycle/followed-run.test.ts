import { refrigerant } from '../fluids/refrigerant';
import { noFaults, type Faults } from './conditions';
import { designOf, ratingOf } from './cycle-design';
import { readingsOf } from './cycle-readings';
import { solveCycle } from './cycle-solve';
import { sceneOf } from './cycle-state';
import { followedRun, followedQuantities, type FollowedQuantity } from './followed-run';
import { RunningUnit } from './simulator';
import type { UnitPlate } from './unit';

const plate = (more: Partial<UnitPlate> = {}): UnitPlate => ({
  composition: refrigerant('R-410A').composition,
  kind: 'split',
  metering: 'orifice',
  capacityW: 10_550,
  plateKg: 3.2,
  ...more,
});
const unitOf = (more: Partial<UnitPlate> = {}, faults: Partial<Faults> = {}) => {
  const current = plate(more);
  return { plate: current, run: new RunningUnit(designOf(current), ratingOf(current), { ...noFaults, ...faults }) };
};

/** What instruments have sent after so many minutes of running, a reading every five seconds. */
function followed(minutes: number, more: Partial<UnitPlate> = {}, faults: Partial<Faults> = {}) {
  const { run, plate: current } = unitOf(more, faults);
  const traces = Object.fromEntries(followedQuantities.map((name) => [name, [] as { t: number; value: number }[]]));
  run.start();
  for (let t = 0; t <= 60 * minutes; t += 5) {
    const { outdoorK, indoorK, indoorWetBulbK = 0 } = run.around;
    const all: Record<string, number> = { ...run.now, outdoor: outdoorK, indoor: indoorK, wetBulb: indoorWetBulbK };
    for (const name of followedQuantities) traces[name]!.push({ t, value: all[name]! });
    run.advance(5);
  }
  return followedRun(current.composition, traces);
}

function steadily(faults: Partial<Faults> = {}) {
  const [unit, conditions, all] = [designOf(plate()), ratingOf(plate()), { ...noFaults, ...faults }];
  const solved = solveCycle(unit, conditions, all);
  if (solved.state === 'not') throw new Error(solved.why);
  return readingsOf(sceneOf(unit, conditions, all), solved.cycle);
}

test('a unit that was started comes to where the model says it settles', () => {
  const steady = steadily({ charge: 0.85 });
  const { values } = followed(60, {}, { charge: 0.85 });
  for (const name of ['head', 'suction'] as const) expect(values[name]! / steady[name]).toBeCloseTo(1, 3);
  for (const name of ['suctionLine', 'liquidLine', 'supply', 'discharge'] as const) expect(values[name]).toBeCloseTo(steady[name], 1);
});

// Times after which real units stand still, common practice: superheat 6 to 12 min with an orifice, subcooling 5 to 10, discharge 18 to 21.
test('superheat, subcooling and discharge come to rest when they are said to', () => {
  const { run } = unitOf();
  const table = designOf(plate()).table;
  const [steady, last] = [steadily(), { superheat: 0, subcooling: 0, discharge: 0 }];
  const shown = ({ head, suction, suctionLine, liquidLine, discharge }: typeof steady) => ({
    superheat: suctionLine - table.saturation(suction).Td,
    subcooling: table.saturation(head).Tb - liquidLine,
    discharge,
  });
  run.start();
  for (let t = 0; t < 3600; t += 5) {
    run.advance(5);
    const [now, end] = [shown(run.now), shown(steady)];
    if (Math.abs(now.superheat - end.superheat) > 2 / 1.8) last.superheat = t / 60;
    if (Math.abs(now.subcooling - end.subcooling) > 1 / 1.8) last.subcooling = t / 60;
    if (Math.abs(now.discharge - end.discharge) > 3 / 1.8) last.discharge = t / 60;
  }
  expect(last.superheat).toBeGreaterThan(6);
  expect(last.superheat).toBeLessThan(12);
  expect(last.subcooling).toBeGreaterThan(5);
  expect(last.subcooling).toBeLessThan(10);
  expect(last.discharge).toBeGreaterThan(15);
  expect(last.discharge).toBeLessThan(22);
});

test('in the first minutes it is not called settled, and after a quarter of an hour it is', () => {
  expect(followed(1.5).settled).toBeUndefined();
  const early = followed(5);
  expect(early.settled).toBe(false);
  expect(Math.abs(early.driftK!.superheat)).toBeGreaterThan(1);
  const late = followed(15);
  expect(late.settled).toBe(true);
  expect(Math.abs(late.driftK!.subcooling)).toBeLessThan(0.9);
});

test('what one instrument does not send is not there, and without the four that decide nothing is said of settling', () => {
  const current = plate();
  const steady = (value: number) => Array.from({ length: 200 }, (_, k) => ({ t: 5 * k, value }));
  const all: Partial<Record<FollowedQuantity, { t: number; value: number }[]>> = {
    head: steady(2.6e6),
    suction: steady(1.0e6),
    suctionLine: steady(288),
    liquidLine: steady(309),
    outdoor: steady(305).slice(0, 100), // fell silent
  };
  const heard = followedRun(current.composition, all);
  expect(heard.settled).toBe(true);
  expect(heard.values.outdoor).toBeUndefined();
  expect(heard.values.head).toBe(2.6e6);
  const { liquidLine: _, ...rest } = all;
  expect(followedRun(current.composition, rest).settled).toBeUndefined();
  expect(followedRun(current.composition, {})).toEqual({ values: {}, moments: [], settled: undefined, driftK: undefined });
});

test('what is fed goes in, what stands is as warm as its air, and what has no steady state stops by itself', () => {
  const { run } = unitOf({}, { charge: 0.8 });
  run.advance(600);
  expect(run.now.head).toBe(run.now.suction);
  run.feed(0.32);
  expect(run.chargeKg).toBeCloseTo(0.9 * 3.2, 9);
  run.feed(-99);
  expect(run.chargeKg).toBe(0);
  run.advance(3600);
  expect(run.now.head).toBeLessThan(100);
  run.start();
  run.advance(60);
  expect(run.runs).toBe(true); // what lies in the evaporator may still come
  run.advance(900);
  expect(run.runs).toBe(false);
});
