import { lpSolver } from '@hygromet/core/lp-solver';
import highs from 'highs';

/** Solves a model in the LP format. @returns the value of each variable, or nothing where there is no solution */
export type Solve = (model: string) => ((variable: string) => number) | undefined;

/** The solver is WebAssembly: it is there a moment after it was asked for. */
export async function loadSolver(): Promise<Solve> {
  const solver = await highs();
  const solved = lpSolver((model, options) => solver.solve(model, options));
  return (model) => solved(model)?.valueOf;
}

let loaded: Solve | undefined;

/** Loads it once in this thread, when it is first needed: it takes its memory. */
export const solverReady = async (): Promise<Solve> => (loaded ??= await loadSolver());

/** For a task that runs through in one go; `solverReady` comes first. */
export const solveNow: Solve = (model) => {
  if (loaded === undefined) throw new Error('the solver was asked before it was loaded');
  return loaded(model);
};
