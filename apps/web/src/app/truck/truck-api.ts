import { lpSolver } from '@hygromet/core/lp-solver';
import { solveTruck, type SolvedTruck } from '@hygromet/core/planning/solve-truck';
import type { TruckGoal, TruckTask } from '@hygromet/core/planning/truck';
import type { Highs } from 'highs';

/** What the solver's worker answers. `begun` is told which goal is decided now. */
export interface TruckApi {
  readonly solve: (task: TruckTask, begun: (goal: TruckGoal) => void) => Promise<SolvedTruck>;
}

/** For each goal, after which the best plan found so far is taken; it is then not proved to be the best. */
const MOST_MS = 5000;

export const truckApi = (loaded: Promise<Pick<Highs, 'solve'>>): TruckApi => ({
  solve: async (task, begun) => {
    const { solve } = await loaded;
    return solveTruck(task, lpSolver(solve, MOST_MS / 1000), begun);
  },
});
