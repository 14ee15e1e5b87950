import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import { DomainError } from '../domain/domain-error';
import { askedTogether } from '../asked-together';
import { answerIn, type Asked, type Computing, type Outcome } from './computing';
import type { Answer, Question, Task } from './tasks';

/** One core stays for requests and their answers. */
const THREADS = Math.max(1, availableParallelism() - 1);
const MOST_WAITING_COUNT = 400;
/** The heaviest question takes two seconds on a slow machine; a thread that takes longer is ended. */
const LONGEST_MS = 20_000;
const MEMORY = { maxOldGenerationSizeMb: 96 };

/** Questions of less than a millisecond, of which each booking has one: a message for each would take longer than its answer. */
const LIGHT: readonly Task[] = ['objections', 'limits'];
const MOST_TOGETHER_COUNT = 25;

const TOO_MUCH = 'Too much is being computed at the moment. Nothing was stored halfway: try again in a few seconds.';
const TOO_LONG = 'This took too long to compute, and was given up. Nothing was stored halfway.';

/** Threads that compute beside the one that answers. `file` is the built worker. */
export function pool(file: URL): Computing & { close(): Promise<void> } {
  const threads = new Piscina({
    filename: file.href,
    minThreads: THREADS,
    maxThreads: THREADS,
    maxQueue: MOST_WAITING_COUNT,
    resourceLimits: MEMORY,
  });
  const send = async (asked: readonly Asked<Task>[]): Promise<readonly Outcome<unknown>[]> => {
    if (threads.queueSize >= MOST_WAITING_COUNT) throw new DomainError('unavailable', TOO_MUCH);
    const signal = AbortSignal.timeout(LONGEST_MS);
    try {
      return await (threads.run(asked, { signal }) as Promise<readonly Outcome<unknown>[]>);
    } catch (error) {
      throw signal.aborted ? new DomainError('unavailable', TOO_LONG) : error;
    }
  };
  const together = askedTogether(send, MOST_TOGETHER_COUNT);
  return {
    async run<K extends Task>(task: K, question: Question<K>): Promise<Answer<K>> {
      const asked: Asked<Task> = { task, question };
      const outcome = LIGHT.includes(task) ? await together.load(asked) : (await send([asked]))[0]!; // one for each
      return answerIn(outcome as Outcome<Answer<K>>); // the worker answers what it is asked
    },
    close: () => threads.destroy(),
  };
}
