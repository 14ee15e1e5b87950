import { operations, type OperationName } from '../src/app/live/property-operations';
import type { WorkerAnswer, WorkerRequest } from '../src/app/live/worker-messages';

/** Stands in for the worker: the same operations, answered in the next microtask. */
export function createWorker(): Worker {
  const target = new EventTarget();
  const answer = ({ id, name, args }: WorkerRequest): WorkerAnswer => {
    try {
      return { id, state: 'done', value: (operations[name as OperationName] as (args: unknown) => unknown)(args) };
    } catch (error) {
      return { id, state: 'failed', message: error instanceof Error ? error.message : String(error) };
    }
  };
  const worker = Object.assign(target, {
    postMessage: (request: WorkerRequest) =>
      queueMicrotask(() => target.dispatchEvent(new MessageEvent('message', { data: answer(request) }))),
    terminate: () => undefined,
  });
  return worker as unknown as Worker; // as much of a worker as the service uses
}

/** The solver's worker has no stand-in: a test that plans a truck brings its own solver. */
export const createTruckWorker = (): Worker => {
  throw new Error('this test needs a solver of its own');
};
