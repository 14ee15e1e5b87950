import type { ExplanationCode } from './explanations';
import data from './hypotheses.json';

export type Advice = 'add' | 'remove' | 'leave' | 'not-the-charge' | 'cannot-tell';

/** What follows for the charge. In doubt it is left: what was added wrongly has to be recovered again. */
export function adviceOf(explanations: readonly { readonly code: ExplanationCode; readonly probability: number }[]): Advice {
  const of = (code: ExplanationCode) => explanations.find((explanation) => explanation.code === code)?.probability ?? 0;
  const { add, remove, other, ok } = data.certain;
  if (of('undercharge') >= add) return 'add';
  if (of('overcharge') >= remove) return 'remove';
  if (of('ok') >= ok) return 'leave';
  const elsewhere = 1 - of('undercharge') - of('overcharge') - of('ok') - of('none-of-these');
  return elsewhere >= other ? 'not-the-charge' : 'cannot-tell';
}
