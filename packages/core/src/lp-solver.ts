/** What of HiGHS is used: a program in the LP format, solved with options. */
export type SolveProgram = (
  program: string,
  options: Readonly<Record<string, string | number | boolean>>,
) => {
  readonly Status: string;
  readonly ObjectiveValue: number;
  readonly Columns: Readonly<Record<string, object>>;
};

/** A solution of a program in the LP format: the value of a variable that is not in it is nothing. */
export interface LpSolution {
  /** Whether it is proved that none is better. */
  readonly optimal: boolean;
  readonly objective: number;
  readonly valueOf: (variable: string) => number;
}

const OUT_OF_TIME = 'Time limit reached';

/** Undefined where HiGHS gives up with an error instead of an answer. */
const tried = (solve: SolveProgram, ...asked: Parameters<SolveProgram>): ReturnType<SolveProgram> | undefined => {
  try {
    return solve(...asked);
  } catch {
    return undefined;
  }
};

/**
 * Solves programs to the proved optimum, or as far as there is time. The presolve of HiGHS now and then calls a program infeasible that is
 * not, or gives up with an error (both seen with a truck's, which never is: what has no room is short); such a one is solved again without
 * it.
 * @param mostSeconds after which the best that was found is taken
 * @returns undefined where nothing was found
 */
export const lpSolver =
  (solve: SolveProgram, mostSeconds = Infinity) =>
  (program: string): LpSolution | undefined => {
    const options = { mip_rel_gap: 0, output_flag: false, ...(mostSeconds === Infinity ? {} : { time_limit: mostSeconds }) };
    const first = tried(solve, program, options);
    const answer =
      first?.Status === 'Optimal' || first?.Status === OUT_OF_TIME ? first : tried(solve, program, { ...options, presolve: 'off' });
    if (answer === undefined) return undefined;
    const { Status, ObjectiveValue, Columns } = answer;
    if (Status !== 'Optimal' && !(Status === OUT_OF_TIME && Number.isFinite(ObjectiveValue))) return undefined;
    const columns = Columns as Readonly<Record<string, { readonly Primal?: number }>>;
    return { optimal: Status === 'Optimal', objective: ObjectiveValue, valueOf: (name) => columns[name]?.Primal ?? 0 };
  };
