import { expose } from 'comlink';
import { coreApi } from '../src/app/core-worker/core-api';

/** Stands in for the worker: the same operations, answered in the next microtask. */
export function createWorker(): Worker {
  const [outside, inside] = [new EventTarget(), new EventTarget()];
  const postTo = (target: EventTarget) => (data: unknown) =>
    queueMicrotask(() => target.dispatchEvent(new MessageEvent('message', { data })));
  expose(coreApi, Object.assign(inside, { postMessage: postTo(outside) }));
  return Object.assign(outside, { postMessage: postTo(inside), terminate: () => undefined }) as unknown as Worker; // as much of a worker as is used
}

/** The solver's worker has no stand-in: a test that plans a truck brings its own solver. */
export const createTruckWorker = (): Worker => {
  throw new Error('this test needs a solver of its own');
};
