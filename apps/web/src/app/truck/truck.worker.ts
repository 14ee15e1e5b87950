/// <reference lib="webworker" />
import { truckModel, truckPlan } from '@hygromet/core/planning/truck';
import loadSolver from 'highs';
import type { TruckAnswer, TruckRequest } from './truck-messages';

/** The solver is a megabyte of WebAssembly: it comes with the first question, from our own server. */
const solver = loadSolver({ locateFile: (file) => `/solver/${file}` });

addEventListener('message', ({ data }: MessageEvent<TruckRequest>) => {
  void answerTo(data).then((answer) => postMessage(answer));
});

/** Seconds after which the best plan found so far is taken; it is then not proved to be the best. */
const MOST_SECONDS = 10;

async function answerTo({ id, task }: TruckRequest): Promise<TruckAnswer> {
  try {
    const { solve } = await solver;
    const started = performance.now();
    const solution = solve(truckModel(task), { mip_rel_gap: 0, time_limit: MOST_SECONDS, output_flag: false });
    const columns = solution.Columns as Readonly<Record<string, { readonly Primal?: number }>>; // an infeasible model cannot be: shortage is allowed
    const plan = truckPlan(task, (name) => columns[name]?.Primal ?? 0);
    return { id, state: 'done', plan, proved: solution.Status === 'Optimal', ms: performance.now() - started };
  } catch (error) {
    return { id, state: 'failed', message: error instanceof Error ? error.message : String(error) };
  }
}
