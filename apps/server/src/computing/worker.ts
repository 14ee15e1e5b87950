import { solverReady } from '../domain/solver';
import { outcomeOf, type Asked } from './computing';
import type { Task } from './tasks';

/** A thread of the pool: one question after the other, and what came at the same time together. */
export default async (asked: readonly Asked<Task>[]) => {
  if (asked.some(({ task }) => task === 'compute')) await solverReady();
  return asked.map(({ task, question }) => outcomeOf(task, question));
};
