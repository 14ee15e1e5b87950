import { contentHash } from './content-hash';
import type { Tx } from './database';

export interface Sending {
  readonly organisationId: string;
  readonly key: string;
  /** What the key was used for: a key of one kind is not one of another. */
  readonly kind: 'cylinder' | 'system' | 'cylinder-event' | 'photograph';
  /** All that was said. */
  readonly content: object;
  /** The id of what is made, or was changed. */
  readonly answer: string;
}

export type SentOnce =
  { readonly state: 'first' } | { readonly state: 'repeated'; readonly answer: string } | { readonly state: 'key-reused' };

/**
 * Keeps that this was sent, in the transaction that does what it asks for. A second sending at the same time waits until the first is
 * through, and is then answered like any later one.
 */
export async function sentOnce(tx: Tx, { organisationId, key, kind, content, answer }: Sending): Promise<SentOnce> {
  const hash = contentHash(content);
  const first = await tx
    .insertInto('sent_once')
    .values({ organisation_id: organisationId, key, kind, content_hash: hash, answer })
    .onConflict((conflict) => conflict.constraint('sent_once_under_a_key').doNothing())
    .returning('key')
    .executeTakeFirst();
  if (first !== undefined) return { state: 'first' };
  const before = await tx
    .selectFrom('sent_once')
    .select(['kind', 'content_hash', 'answer'])
    .where('organisation_id', '=', organisationId)
    .where('key', '=', key)
    .executeTakeFirstOrThrow();
  return before.kind === kind && before.content_hash === hash ? { state: 'repeated', answer: before.answer } : { state: 'key-reused' };
}
