import type { Conditions, Faults } from './conditions';
import { readingNames, readingsOf, type ReadingName } from './cycle-readings';
import { solveCycle } from './cycle-solve';
import { sceneOf, stateAt, type CycleState, type Scene, type Unknown } from './cycle-state';
import { heatingOf } from './heating';
import { STEP, type UnitCloud } from './knowledge';
import readings from './readings.json';
import { solveThree } from './solve-three';
import type { Unit } from './unit';

/** What every instrument should say under one hypothesis, and how each unknown moves it, one sigma each. */
export interface Prediction {
  readonly state: CycleState;
  readonly value: Record<ReadingName, number>;
  /** Of each direction: guesses of the unit, the charge, and the three readings of the air. */
  readonly slopes: readonly Record<ReadingName, number>[];
}

const INCREMENT = 1e-5;

/** Nothing where the unit has no steady state there. By the implicit function: no direction is solved anew. */
export function predict(cloud: UnitCloud, conditions: Conditions, faults: Faults, start?: Unknown): Prediction | undefined {
  const solved = solveCycle(cloud.likely, conditions, faults, start);
  if (solved.state === 'not') return undefined;
  const runs = (unit: Unit) => (conditions.heating === true ? heatingOf(unit) : unit);
  const scene = sceneOf(runs(cloud.likely), conditions, faults);
  const { cycle } = solved;
  const base = point(scene, cycle.u);
  const along = [0, 1, 2].map((k) => {
    const u: [number, number, number] = [cycle.u[0], cycle.u[1], cycle.u[2]];
    u[k]! += INCREMENT;
    return difference(point(scene, u), base, INCREMENT);
  }) as unknown as readonly [Slope, Slope, Slope]; // the three unknowns
  const directions: readonly (readonly [Scene, number])[] = [
    ...cloud.moved.map((unit) => [sceneOf(runs(unit), conditions, faults), STEP] as const),
    [sceneOf(scene.unit, conditions, { ...faults, charge: faults.charge + 0.01 }), 0.01 / readings.chargeShare],
    ...airReadings(conditions).map((airReading) => [sceneOf(scene.unit, airReading, faults), STEP] as const),
  ];
  const slopes = directions.map(([moved, step]) => total(difference(point(moved, cycle.u), base, step), along));
  return { state: cycle, value: base.value, slopes };
}

/** The air as it would be if a thermometer were off by a step of a sigma. */
function airReadings(conditions: Conditions): readonly Conditions[] {
  const K = STEP * readings.airReadingK;
  return [
    { ...conditions, outdoorK: conditions.outdoorK + K },
    { ...conditions, indoorK: conditions.indoorK + K },
    ...(conditions.indoorWetBulbK === undefined ? [] : [{ ...conditions, indoorWetBulbK: conditions.indoorWetBulbK - K }]),
  ];
}

interface Point {
  readonly residual: Unknown;
  readonly value: Record<ReadingName, number>;
}
type Slope = Point;

function point(scene: Scene, u: Unknown): Point {
  const state = stateAt(scene, u);
  return { residual: state.residual, value: readingsOf(scene, state) };
}

const difference = (moved: Point, base: Point, step: number): Slope => ({
  residual: moved.residual.map((value, k) => (value - base.residual[k]!) / step) as unknown as Unknown, // three as well
  value: eachReading((name) => (moved.value[name] - base.value[name]) / step),
});

/** What a direction moves in all: by itself, and by where the circuit settles for it. */
function total(direct: Slope, along: readonly [Slope, Slope, Slope]): Record<ReadingName, number> {
  const [a, b, c] = along;
  const [x, y, z] = direct.residual;
  // a state that was solved has three directions: without them it would not have been found
  const [da, db, dc] = solveThree([a.residual, b.residual, c.residual], [-x, -y, -z]) ?? [0, 0, 0];
  return eachReading((name) => direct.value[name] + da * a.value[name] + db * b.value[name] + dc * c.value[name]);
}

const eachReading = (of: (name: ReadingName) => number): Record<ReadingName, number> =>
  Object.fromEntries(readingNames.map((name) => [name, of(name)])) as Record<ReadingName, number>;
