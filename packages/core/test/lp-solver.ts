import type highs from 'highs';
import type { LpSolution } from '../src/planning/solve-truck';

/** The solver that the application ships, run in Node to the proved optimum. */
export const lpSolver =
  ({ solve }: Awaited<ReturnType<typeof highs>>) =>
  (program: string): LpSolution => {
    const { Status, Columns, ObjectiveValue } = solve(program, { mip_rel_gap: 0 });
    const columns = Columns as Readonly<Record<string, { readonly Primal?: number }>>; // an infeasible model cannot be: shortage is allowed
    return { optimal: Status === 'Optimal', objective: ObjectiveValue, valueOf: (name) => columns[name]?.Primal ?? 0 };
  };
