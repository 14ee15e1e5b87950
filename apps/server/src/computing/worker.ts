import { outcomeOf } from './computing';
import type { Question, Task } from './tasks';

/** A thread of the pool: one question after the other. */
export default <K extends Task>({ task, question }: { task: K; question: Question<K> }) => outcomeOf(task, question);
