import type { Loadable } from '../ui/loadable';

/** Whether a transfer may be started, as far as the answers of the core are concerned. */
export type StartGate =
  | { readonly state: 'judged' }
  /** An answer to exactly what stands on the page is on its way. */
  | { readonly state: 'computing' }
  /** A rule could not be computed: it refuses, it never disappears. */
  | { readonly state: 'unjudged'; readonly sentence: string };

/** @param answers of every rule that has to be kept, each to a question that is complete */
export function startGate(answers: readonly Loadable<unknown>[]): StartGate {
  const failed = answers.find(({ state }) => state === 'failed');
  if (failed?.state === 'failed') return { state: 'unjudged', sentence: failed.sentence };
  return answers.every((answer) => answer.state === 'ready' && answer.stale !== true) ? { state: 'judged' } : { state: 'computing' };
}
