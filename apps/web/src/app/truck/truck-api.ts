import { solveTruck, type LpSolution, type SolvedTruck } from '@hygromet/core/planning/solve-truck';
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
    const solved = (program: string): LpSolution => {
      const { Status, ObjectiveValue, Columns } = solve(program, { mip_rel_gap: 0, time_limit: MOST_MS / 1000, output_flag: false });
      const columns = Columns as Readonly<Record<string, { readonly Primal?: number }>>; // an infeasible model cannot be: shortage is allowed
      return { optimal: Status === 'Optimal', objective: ObjectiveValue, valueOf: (name) => columns[name]?.Primal ?? 0 };
    };
    return solveTruck(task, solved, begun);
  },
});
