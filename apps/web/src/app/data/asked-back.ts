import { questions, type Question } from '@hygromet/contract/asked-back';
import type { MutationState } from './mutation';

/** What the server asked back about the last sending; nothing where it refused for another reason, or not at all. */
export const questionIn = (state: MutationState): Question | undefined =>
  state.state === 'refused' ? questions.find((question) => question === state.apiError.code) : undefined;
