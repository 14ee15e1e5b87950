/// <reference lib="webworker" />
import { operations, type OperationName } from './property-operations';
import type { WorkerAnswer, WorkerRequest } from './worker-messages';

/** The computation core beside the interface: whatever takes more than a few milliseconds happens here. */
addEventListener('message', ({ data }: MessageEvent<WorkerRequest>) => {
  postMessage(answerTo(data));
});

function answerTo({ id, name, args }: WorkerRequest): WorkerAnswer {
  try {
    const operation = operations[name as OperationName] as (args: unknown) => unknown; // the service sends each operation its own arguments
    return { id, state: 'done', value: operation(args) };
  } catch (error) {
    return { id, state: 'failed', message: error instanceof Error ? error.message : String(error) };
  }
}
