import type { Objection } from '@hygromet/core/cylinder/objection';
import type { Computing } from '../computing/computing';
import type { ObjectionsQuestion } from '../computing/tasks';

/**
 * What speaks against a transfer, judged before anything is locked: nobody waits for the model. Only where the cylinder changed in between
 * is it judged once more under the lock; the answer is always that of the question that is asked last.
 */
export class JudgedAhead {
  private known: { readonly question: string; readonly objections: readonly Objection[] } | undefined;

  constructor(private readonly computing: Computing) {}

  async objections(question: ObjectionsQuestion): Promise<readonly Objection[]> {
    const asked = JSON.stringify(question);
    if (this.known?.question === asked) return this.known.objections;
    const objections = await this.computing.run('objections', question);
    this.known = { question: asked, objections };
    return objections;
  }
}
