import type { LpSolution } from '../lp-solver';
import { truckGoals, truckModel, truckPlan, type Held, type TruckGoal, type TruckPlan, type TruckTask } from './truck';

export interface SolvedTruck {
  readonly plan: TruckPlan;
  /** Whether each goal is proved to be as small as it can be after those before it. */
  readonly proved: boolean;
  /** How small each became, in the order in which they were decided: kg, kg, cylinders, kg and handling. */
  readonly reached: readonly Held[];
}

/**
 * Solves a truck goal by goal; one that is not proved in time is held as it was found, and one for which nothing is found leaves the plan
 * of the goals before it.
 * @param solve solves a program to the end, or as far as there is time
 * @param begun is told which goal is decided now
 */
export function solveTruck(
  task: TruckTask,
  solve: (program: string) => LpSolution | undefined,
  begun: (goal: TruckGoal) => void = () => undefined,
): SolvedTruck {
  if (task.jobs.length === 0) return { plan: truckPlan(task, () => 0), proved: true, reached: [] };
  const reached: Held[] = [];
  let [proved, valueOf] = [true, (_: string): number => 0];
  for (const goal of truckGoals) {
    if (goal === 'overweight' && task.mostWeight === undefined) continue;
    begun(goal);
    const solution = solve(truckModel(task, goal, reached));
    if (solution === undefined) return { plan: truckPlan(task, valueOf), proved: false, reached };
    ({ valueOf } = solution);
    proved &&= solution.optimal;
    reached.push({ goal, least: Math.max(0, solution.objective) });
  }
  return { plan: truckPlan(task, valueOf), proved, reached };
}
