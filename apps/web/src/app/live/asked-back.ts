import { questions, type Question } from '@hygromet/contract/asked-back';
import type { CommandState } from './command';

/** What the server asked back about the last sending; nothing where it refused for another reason, or not at all. */
export const questionIn = (state: CommandState): Question | undefined =>
  state.state === 'refused' ? questions.find((question) => question === state.refusal.code) : undefined;
