import type { AccountKind } from '@hygromet/contract/account';
import type { Movement } from '@hygromet/contract/movement';
import { createHash } from 'node:crypto';
import type { Tx, TypedText } from './database';

/** An entry before it is in the ledger. */
export interface Draft {
  readonly id: string;
  readonly organisationId: string;
  readonly key: string;
  readonly from: string;
  readonly to: string;
  readonly massKg: number;
  readonly refrigerant: string | null;
  readonly composition: Readonly<Record<string, number>>;
  readonly known: Movement['known'];
  readonly grossBeforeKg?: number;
  readonly grossAfterKg?: number;
  readonly typed?: Record<string, TypedText>;
  readonly note?: string;
  /** What was computed from it, with the versions that computed it. */
  readonly assessment?: object;
  readonly visit?: string;
  readonly happenedAt: string;
  readonly recordedBy: string;
  readonly reverses?: string;
}

/** What makes two requests with one key the same: everything a person decided, nothing the server added. */
function contentHash({ from, to, massKg, grossBeforeKg, grossAfterKg, happenedAt, recordedBy, note, reverses }: Draft): string {
  const content = { from, to, massKg, grossBeforeKg, grossAfterKg, happenedAt: Date.parse(happenedAt), recordedBy, note, reverses };
  return createHash('sha256').update(JSON.stringify(content)).digest('hex');
}

export type Added = { readonly state: 'added' | 'repeated'; readonly id: string } | { readonly state: 'key-reused' };

/** Adds an entry. The same key with the same content finds the first entry; with another content it is refused. */
export async function addMovement(db: Tx, draft: Draft, now: Date): Promise<Added> {
  const hash = contentHash(draft);
  const added = await db
    .insertInto('movement')
    .values({ ...rowOf(draft), content_hash: hash, recorded_at: now })
    .onConflict((conflict) => conflict.constraint('movement_key_used_once').doNothing())
    .returning('id')
    .executeTakeFirst();
  if (added !== undefined) return { state: 'added', id: added.id };
  const earlier = await db
    .selectFrom('movement')
    .select(['id', 'content_hash'])
    .where('organisation_id', '=', draft.organisationId)
    .where('idempotency_key', '=', draft.key)
    .executeTakeFirstOrThrow();
  return earlier.content_hash === hash ? { state: 'repeated', id: earlier.id } : { state: 'key-reused' };
}

function rowOf(draft: Draft) {
  return {
    id: draft.id,
    organisation_id: draft.organisationId,
    idempotency_key: draft.key,
    from_account: draft.from,
    to_account: draft.to,
    mass_kg: draft.massKg,
    refrigerant: draft.refrigerant,
    composition: JSON.stringify(draft.composition),
    known: draft.known,
    gross_before_kg: draft.grossBeforeKg ?? null,
    gross_after_kg: draft.grossAfterKg ?? null,
    typed: draft.typed === undefined ? null : JSON.stringify(draft.typed),
    note: draft.note ?? null,
    assessment: draft.assessment === undefined ? null : JSON.stringify(draft.assessment),
    visit_id: draft.visit ?? null,
    happened_at: draft.happenedAt,
    recorded_by: draft.recordedBy,
    reverses: draft.reverses ?? null,
  };
}

const movementQuery = (db: Tx, organisationId: string) =>
  db
    .selectFrom('movement')
    .innerJoin('account as source', 'source.id', 'movement.from_account')
    .innerJoin('account as target', 'target.id', 'movement.to_account')
    .leftJoin('movement as reversal', 'reversal.reverses', 'movement.id')
    .where('movement.organisation_id', '=', organisationId)
    .selectAll('movement')
    .select([
      'source.kind as from_kind',
      'source.name as from_name',
      'target.kind as to_kind',
      'target.name as to_name',
      'reversal.id as reversed_by',
    ]);

type MovementRow = Awaited<ReturnType<ReturnType<typeof movementQuery>['execute']>>[number];

const numberOrNull = (value: string | null) => (value === null ? null : Number(value));

// the kinds and `known` are held by named constraints of the table
const movementOf = (row: MovementRow): Movement => ({
  id: row.id,
  from: { id: row.from_account, kind: row.from_kind as AccountKind, name: row.from_name },
  to: { id: row.to_account, kind: row.to_kind as AccountKind, name: row.to_name },
  massKg: Number(row.mass_kg),
  refrigerant: row.refrigerant,
  composition: row.composition,
  known: row.known as Movement['known'],
  grossBeforeKg: numberOrNull(row.gross_before_kg),
  grossAfterKg: numberOrNull(row.gross_after_kg),
  typed: row.typed,
  note: row.note,
  visit: row.visit_id,
  happenedAt: row.happened_at.toISOString(),
  recordedAt: row.recorded_at.toISOString(),
  recordedBy: row.recorded_by,
  reverses: row.reverses,
  reversedBy: row.reversed_by,
});

/** Newest first; of one account where asked. */
export async function movementsOf(db: Tx, organisationId: string, account: string | undefined): Promise<Movement[]> {
  let query = movementQuery(db, organisationId).orderBy('movement.happened_at', 'desc').orderBy('movement.sequence', 'desc').limit(5000);
  if (account !== undefined)
    query = query.where((eb) => eb.or([eb('movement.from_account', '=', account), eb('movement.to_account', '=', account)]));
  return (await query.execute()).map(movementOf);
}

export async function movementById(db: Tx, organisationId: string, id: string): Promise<Movement | undefined> {
  const row = await movementQuery(db, organisationId).where('movement.id', '=', id).executeTakeFirst();
  return row === undefined ? undefined : movementOf(row);
}

export async function movementIdByKey(db: Tx, organisationId: string, key: string): Promise<string | undefined> {
  const row = await db
    .selectFrom('movement')
    .select('id')
    .where('organisation_id', '=', organisationId)
    .where('idempotency_key', '=', key)
    .executeTakeFirst();
  return row?.id;
}
