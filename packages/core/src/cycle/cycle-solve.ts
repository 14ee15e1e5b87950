import { noFaults, type Conditions, type Faults } from './conditions';
import { ratingOf } from './cycle-design';
import { heatingOf, heatingRating } from './heating';
import { solveThree } from './solve-three';
import { sceneOf, stateAt, type CycleState, type Scene, type Unknown } from './cycle-state';
import type { Unit } from './unit';

export type Unsolved = 'beyond-high-pressure' | 'no-steady-state';
export type Solved = { readonly state: 'runs'; readonly cycle: CycleState } | { readonly state: 'not'; readonly why: Unsolved };

/** Residuals this small are a state that runs. */
const CLOSE = 1e-8;
const STEPS = 40;
const INCREMENT = 1e-5;

const size = ([a, b, c]: Unknown): number => Math.hypot(a, b, c);

/**
 * Where a unit settles in these conditions, with these faults. Newton from `start`, or from its rating; where that does not come through, in
 * steps from the rating to there. Never throws: what has no steady state says so.
 */
export function solveCycle(unit: Unit, conditions: Conditions, faults: Faults = noFaults, start?: Unknown): Solved {
  return conditions.heating === true ? settle(heatingOf(unit), conditions, faults, start) : settle(unit, conditions, faults, start);
}

function settle(unit: Unit, conditions: Conditions, faults: Faults, start: Unknown | undefined): Solved {
  const scene = sceneOf(unit, conditions, faults);
  const direct = (start === undefined ? undefined : newton(scene, start)) ?? newton(scene, guessOf(scene));
  if (direct !== undefined) return { state: 'runs', cycle: direct };
  for (const steps of [6, 24]) {
    const followed = follow(unit, conditions, faults, steps);
    if (followed !== undefined) return { state: 'runs', cycle: followed };
  }
  return { state: 'not', why: hotterThanTable(scene) ? 'beyond-high-pressure' : 'no-steady-state' };
}

/** The point from which a unit is followed: its rating, or that of its heating. */
const ratedAt = (unit: Unit, { heating = false }: Conditions): Conditions => (heating ? heatingRating : ratingOf(unit.plate));

/** The rating, moved by the air on both coils. */
function guessOf({ unit, conditions, condenserAir, evaporatorAir }: Scene): Unknown {
  const rating = ratedAt(unit, conditions);
  const [pc, pe, y] = unit.rated;
  const slope = 0.026;
  const [hot, cold] = conditions.heating === true ? [rating.indoorK, rating.outdoorK] : [rating.outdoorK, rating.indoorK];
  return [pc + slope * (condenserAir.T - hot), pe + 0.6 * slope * (evaporatorAir.T - cold), y];
}

function newton(scene: Scene, start: Unknown): CycleState | undefined {
  const { table } = scene.unit;
  const [least, most] = [Math.log(table.least), Math.log(table.most)];
  const inside = ([a, b, c]: Unknown): Unknown => [
    Math.min(most - 1e-4, Math.max(least + 0.3, a)),
    Math.min(most - 0.05, Math.max(least + 1e-4, b)),
    Math.min(40, Math.max(-12, c)),
  ];
  let now = stateAt(scene, inside(start));
  let off = size(now.residual);
  for (let step = 0; step < STEPS; step++) {
    if (off < CLOSE) return now;
    const move = moveOf(scene, now);
    if (move === undefined) return undefined;
    const limit = Math.max(Math.abs(move[0]) / 0.35, Math.abs(move[1]) / 0.35, Math.abs(move[2]) / (0.6 * (1 + Math.abs(now.u[2]))), 1);
    let better: CycleState | undefined;
    for (let share = 1 / limit; share > 1e-3 / limit; share /= 2) {
      const tried = stateAt(scene, inside([now.u[0] + share * move[0], now.u[1] + share * move[1], now.u[2] + share * move[2]]));
      const value = size(tried.residual);
      if (value < off * (1 - 0.1 * share)) {
        [better, off] = [tried, value];
        break;
      }
    }
    if (better === undefined) return off < 1e-6 ? now : undefined;
    now = better;
  }
  return off < 1e-6 ? now : undefined;
}

/** Newton's step by forward differences; nothing where they say nothing. */
function moveOf(scene: Scene, { u, residual }: CycleState): Unknown | undefined {
  const column = (k: number) => {
    const moved: [number, number, number] = [u[0], u[1], u[2]];
    moved[k]! += INCREMENT;
    return stateAt(scene, moved).residual.map((value, i) => (value - residual[i]!) / INCREMENT) as unknown as Unknown; // three as well
  };
  return solveThree([column(0), column(1), column(2)], [-residual[0], -residual[1], -residual[2]]);
}

/** From the rating, all conditions and faults at once in even steps. */
function follow(unit: Unit, conditions: Conditions, faults: Faults, steps: number): CycleState | undefined {
  const rating = ratedAt(unit, conditions);
  let last: CycleState | undefined;
  for (let k = 0; k <= steps; k++) {
    const share = k / steps;
    const between = (from: number, to: number) => from + share * (to - from);
    const current: Conditions = {
      ...conditions,
      outdoorK: between(rating.outdoorK, conditions.outdoorK),
      indoorK: between(rating.indoorK, conditions.indoorK),
      ...(conditions.indoorWetBulbK === undefined
        ? {}
        : { indoorWetBulbK: between(rating.indoorWetBulbK ?? conditions.indoorWetBulbK, conditions.indoorWetBulbK) }),
    };
    const names = Object.keys(noFaults) as (keyof Faults)[]; // the keys of a record of faults
    const some = Object.fromEntries(names.map((name) => [name, between(noFaults[name], faults[name])])) as unknown as Faults;
    const scene = sceneOf(unit, current, some);
    last = newton(scene, last?.u ?? guessOf(scene));
    if (last === undefined && k > 0) return undefined;
  }
  return last;
}

/** Whether the pressure that it would need lies beyond what is known of the refrigerant. */
function hotterThanTable({ unit, condenserAir, faults }: Scene): boolean {
  const at = unit.table.saturation(unit.table.most);
  return condenserAir.T + unit.guesses.ctoaK > at.Tb - 6 || faults.charge > 1.15 || faults.outdoorAir < 0.6 || faults.air > 0.3;
}
