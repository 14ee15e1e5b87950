import { CoreError } from '@hygromet/core/errors';
import { domainErrorOf, DomainError } from '../domain/domain-error';
import { solverReady } from '../domain/solver';
import { tasks, type Answer, type Question, type Task } from './tasks';

/** Who computes what takes its time. */
export interface Computing {
  /** @throws DomainError where the core refuses, or where it takes too long */
  run<K extends Task>(task: K, question: Question<K>): Promise<Answer<K>>;
}

/** What comes back from another thread: classes of errors do not come along. */
export type Outcome<T> =
  | { readonly answer: T }
  | { readonly refused: { readonly code: DomainError['code']; readonly sentence: string; readonly pointer: string | undefined } };

/** A task with its question, as it goes to another thread. */
export interface Asked<K extends Task> {
  readonly task: K;
  readonly question: Question<K>;
}

export function outcomeOf<K extends Task>(task: K, question: Question<K>): Outcome<Answer<K>> {
  try {
    return { answer: (tasks[task] as (question: Question<K>) => Answer<K>)(question) };
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    const { code, message, pointer } = domainErrorOf(error);
    return { refused: { code, sentence: message, pointer } };
  }
}

export function answerIn<T>(outcome: Outcome<T>): T {
  if ('answer' in outcome) return outcome.answer;
  const { code, sentence, pointer } = outcome.refused;
  throw new DomainError(code, sentence, pointer);
}

/** In the thread that asks: for commands that nobody waits beside, and for tests. */
export const inThisThread: Computing = {
  run: async (task, question) => {
    if (task === 'compute') await solverReady();
    return answerIn(outcomeOf(task, question));
  },
};
