import { sql } from 'kysely';
import { anyOf, inOrderOf } from './by-id';
import { contentHash } from './content-hash';
import type { Executor, Tx } from './database';

/** What the key was used for: a key of one kind is not one of another. */
type Kind =
  | 'cylinder'
  | 'system'
  | 'cylinder-event'
  | 'cylinder-move'
  | 'photograph'
  | 'visit'
  | 'visit-event'
  | 'booking'
  | 'shipment'
  | 'receipt'
  | 'price';

export interface Sending {
  readonly organisationId: string;
  readonly key: string;
  readonly kind: Kind;
  /** All that was said. */
  readonly content: object;
  /** The id of what is made, or was changed. */
  readonly answer: string;
}

/** What was sent under a key. */
export interface Sent {
  readonly key: string;
  readonly kind: string;
  readonly content_hash: string;
  readonly answer: string;
}

export type SentOnce =
  | { readonly state: 'first' }
  | { readonly state: 'repeated'; readonly answer: string }
  | { readonly state: 'key-reused' };

/**
 * Keeps that this was sent, in the transaction that does what it asks for. A second sending at the same time waits until the first is
 * through, and is then answered like any later one.
 */
export async function sentOnce(tx: Tx, sending: Sending): Promise<SentOnce> {
  const [sent] = await allSentOnce(tx, sending.organisationId, [sending]);
  return sent!; // one for each
}

const KEY_REUSED = { state: 'key-reused' } as const;

/** The same for several of one organisation, each with an answer of its own, in their order; in one statement where all are the first. */
export async function allSentOnce(tx: Tx, organisationId: string, sendings: readonly Sending[]): Promise<readonly SentOnce[]> {
  const first = await keptAsFirst(tx, organisationId, sendings);
  const others = sendings.filter(({ answer }) => !first.has(answer));
  const keys = others.map(({ key }) => key);
  const kept = keys.length === 0 ? [] : await sentUnder(tx, organisationId, keys);
  const again = new Map(others.map((sending, k) => [sending, asKept(kept[k], sending) ?? KEY_REUSED]));
  return sendings.map((sending) => again.get(sending) ?? { state: 'first' });
}

/** The answers of those whose key is new. */
async function keptAsFirst(tx: Tx, organisationId: string, sendings: readonly Sending[]): Promise<ReadonlySet<string>> {
  // in the order of their keys: of two who send the same at the same time one waits, and they never wait for each other
  const rows = [...sendings]
    .sort((one, other) => one.key.localeCompare(other.key))
    .map(({ key, kind, content, answer }) => ({ key, kind, content_hash: contentHash(content), answer }));
  const { rows: first } = await sql<{ answer: string }>`
    insert into sent_once (organisation_id, key, kind, content_hash, answer)
    select ${organisationId}, key, kind, content_hash, answer
    from jsonb_to_recordset(${JSON.stringify(rows)}::jsonb) as sending(key uuid, kind text, content_hash text, answer uuid)
    on conflict on constraint sent_once_under_a_key do nothing
    returning answer`.execute(tx);
  return new Set(first.map(({ answer }) => answer));
}

/** What a sending is whose key was used before; undefined where it is new. */
export function asKept(
  kept: Sent | undefined,
  { kind, content }: Pick<Sending, 'kind' | 'content'>,
): Exclude<SentOnce, { state: 'first' }> | undefined {
  if (kept === undefined) return undefined;
  // what was sent before everything that was said was kept has no hash, and is taken as it stands
  const same = kept.kind === kind && (kept.content_hash === '' || kept.content_hash === contentHash(content));
  return same ? { state: 'repeated', answer: kept.answer } : { state: 'key-reused' };
}

/** What was sent with these keys, in that order; nothing for a key that is new. */
export async function sentUnder(db: Executor, organisationId: string, keys: readonly string[]): Promise<readonly (Sent | undefined)[]> {
  const rows = await db
    .selectFrom('sent_once')
    .select(['key', 'kind', 'content_hash', 'answer'])
    .where('organisation_id', '=', organisationId)
    .where('key', '=', anyOf(keys))
    .execute();
  return inOrderOf(keys, rows, ({ key }) => key);
}
