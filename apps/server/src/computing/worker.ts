import { solverReady } from '../domain/solver';
import { outcomeOf } from './computing';
import type { Question, Task } from './tasks';

/** A thread of the pool: one question after the other. */
export default async <K extends Task>({ task, question }: { task: K; question: Question<K> }) => {
  if (task === 'compute') await solverReady();
  return outcomeOf(task, question);
};
