import highs from 'highs';

/** Solves a model in the LP format. @returns the value of each variable, or nothing where there is no solution */
export type Solve = (model: string) => ((variable: string) => number) | undefined;

/** The solver is WebAssembly: it is there a moment after it was asked for. */
export async function loadSolver(): Promise<Solve> {
  const solver = await highs();
  return (model) => {
    const { Status, Columns } = solver.solve(model, { output_flag: false });
    const columns = Columns as Readonly<Record<string, { readonly Primal?: number }>>; // the package types a column by the kind of its model
    return Status === 'Optimal' ? (variable) => columns[variable]?.Primal ?? 0 : undefined;
  };
}

let loaded: Solve | undefined;

/** Loads it once in this thread, when it is first needed: it takes its memory. */
export const solverReady = async (): Promise<Solve> => (loaded ??= await loadSolver());

/** For a task that runs through in one go; `solverReady` comes first. */
export const solveNow: Solve = (model) => {
  if (loaded === undefined) throw new Error('the solver was asked before it was loaded');
  return loaded(model);
};
