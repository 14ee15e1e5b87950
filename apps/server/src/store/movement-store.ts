import type { AccountKind } from '@hygromet/contract/account';
import type { Movement, ScaleTarget } from '@hygromet/contract/movement';
import type { Objection } from '@hygromet/core/cylinder/objection';
import { sql, type RawBuilder } from 'kysely';
import { createHash } from 'node:crypto';
import type { Executor, TypedText } from './database';
import { withWords } from './movement-search';

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
  readonly target?: ScaleTarget;
  /** What spoke against it; an empty list is nothing. */
  readonly against?: readonly Objection[];
  readonly visit?: string;
  readonly happenedAt: string;
  readonly recordedBy: string;
  readonly reverses?: string;
}

/** What a person decided of an entry. */
export interface Decided extends Pick<Draft, 'from' | 'to' | 'massKg' | 'happenedAt' | 'recordedBy'> {
  readonly grossBeforeKg?: number | undefined;
  readonly grossAfterKg?: number | undefined;
  readonly note?: string | undefined;
  readonly reverses?: string | undefined;
  /** Said by the person, not what the server found out from the source. */
  readonly saidRefrigerant?: string | undefined;
  readonly acceptMixing?: boolean | undefined;
  readonly target?: ScaleTarget | undefined;
  readonly visit?: string | undefined;
}

/** What makes two requests with one key the same: everything a person decided, nothing the server added. */
function contentHash(decided: Decided): string {
  const { from, to, massKg, grossBeforeKg, grossAfterKg, happenedAt, recordedBy, note, reverses } = decided;
  const { saidRefrigerant, acceptMixing = false, target, visit } = decided;
  const weighed = { from, to, massKg, grossBeforeKg, grossAfterKg, happenedAt: Date.parse(happenedAt), recordedBy, note, reverses };
  const content = { ...weighed, saidRefrigerant, acceptMixing, target, visit };
  return createHash('sha256').update(JSON.stringify(content)).digest('hex');
}

export type Sent = { readonly state: 'repeated'; readonly id: string } | { readonly state: 'key-reused' };
export type Added = { readonly state: 'added'; readonly id: string } | Sent;

/**
 * Adds an entry. The same key with the same content finds the first entry; with another content it is refused.
 * @param decided what the person decided, where the entry does not say all of it
 */
export async function addMovement(db: Executor, draft: Draft, now: Date, decided: Decided = draft): Promise<Added> {
  const hash = contentHash(decided);
  const added = await db
    .insertInto('movement')
    .values({ ...rowOf(draft), content_hash: hash, recorded_at: now })
    .onConflict((conflict) => conflict.constraint('movement_key_used_once').doNothing())
    .returning('id')
    .executeTakeFirst();
  return added === undefined
    ? ((await sentBefore(db, draft.organisationId, draft.key, decided)) ?? { state: 'key-reused' })
    : { state: 'added', id: added.id };
}

/** The entry that was booked with this key; undefined where the key is new. */
export async function sentBefore(db: Executor, organisationId: string, key: string, decided: Decided): Promise<Sent | undefined> {
  const earlier = await db
    .selectFrom('movement')
    .select(['id', 'content_hash'])
    .where('organisation_id', '=', organisationId)
    .where('idempotency_key', '=', key)
    .executeTakeFirst();
  if (earlier === undefined) return undefined;
  return earlier.content_hash === contentHash(decided) ? { state: 'repeated', id: earlier.id } : { state: 'key-reused' };
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
    target: draft.target === undefined ? null : JSON.stringify(draft.target),
    against: draft.against === undefined || draft.against.length === 0 ? null : JSON.stringify(draft.against),
    visit_id: draft.visit ?? null,
    happened_at: draft.happenedAt,
    recorded_by: draft.recordedBy,
    reverses: draft.reverses ?? null,
  };
}

const movementQuery = (db: Executor, organisationId: string) =>
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
  target: row.target,
  against: row.against,
  visit: row.visit_id,
  happenedAt: row.happened_at.toISOString(),
  recordedAt: row.recorded_at.toISOString(),
  recordedBy: row.recorded_by,
  reverses: row.reverses,
  reversedBy: row.reversed_by,
});

/** Which entries of the ledger are read. */
export interface Wanted {
  readonly account?: string | undefined;
  /** Only what is older than this entry. */
  readonly before?: string | undefined;
  /** Words that all stand on the entry or in the names of its accounts. */
  readonly text?: string | undefined;
  readonly limit: number;
}

/** Newest first; of one account where asked. Each side of an account is read by its own index, whatever the size of the ledger. */
export async function movementsOf(db: Executor, organisationId: string, { account, before, text, limit }: Wanted): Promise<Movement[]> {
  const older =
    before === undefined ? sql`true` : sql`(happened_at, sequence) < (select happened_at, sequence from movement where id = ${before})`;
  const found = text === undefined ? sql`true` : await withWords(db, organisationId, text);
  const newest = (side: RawBuilder<unknown>) => sql`
    (select id, happened_at, sequence from movement where organisation_id = ${organisationId} and ${side} and ${older} and ${found}
      order by happened_at desc, sequence desc limit ${limit})`;
  const page =
    account === undefined
      ? newest(sql`true`)
      : sql`${newest(sql`from_account = ${account}`)} union all ${newest(sql`to_account = ${account}`)}`;
  const wanted = sql<string>`(select id from (${page}) as side order by happened_at desc, sequence desc limit ${limit})`;
  const rows = await movementQuery(db, organisationId)
    .where('movement.id', 'in', wanted)
    .orderBy('movement.happened_at', 'desc')
    .orderBy('movement.sequence', 'desc')
    .execute();
  return rows.map(movementOf);
}

/** Accounts whose balance is not the sum of their entries: none, unless somebody has changed the database behind its rules. */
export async function differingBalances(db: Executor): Promise<readonly string[]> {
  const rows = await db.selectFrom('balance_difference').selectAll().execute();
  return rows.map(
    ({ account_id, substance, booked_kg, summed_kg }) =>
      `${account_id}${substance === null ? '' : ` ${substance}`}: ${booked_kg ?? 'nothing'} kg booked, ${summed_kg ?? 'nothing'} kg moved`,
  );
}

type WithReadings = Pick<Decided, 'from' | 'to' | 'happenedAt'> & Record<'grossBeforeKg' | 'grossAfterKg', number>;

/** What was booked before with the same readings on the same day between the same accounts, and stands: perhaps the same transfer. */
export async function twinOf(
  db: Executor,
  { from, to, grossBeforeKg, grossAfterKg, happenedAt }: WithReadings,
  withinMs: number,
  withinKg: number,
): Promise<{ readonly recordedBy: string; readonly happenedAt: Date } | undefined> {
  const at = Date.parse(happenedAt);
  const [earliest, latest] = [new Date(at - withinMs), new Date(at + withinMs)];
  const near = (column: 'gross_before_kg' | 'gross_after_kg', kg: number) =>
    sql<boolean>`abs(${sql.ref(column)} - ${kg}::numeric) <= ${withinKg}`;
  const row = await db
    .selectFrom('movement')
    .select(['recorded_by', 'happened_at'])
    .where('from_account', '=', from)
    .where('to_account', '=', to)
    .where('happened_at', '>=', earliest)
    .where('happened_at', '<=', latest)
    .where(near('gross_before_kg', grossBeforeKg))
    .where(near('gross_after_kg', grossAfterKg))
    .where((eb) =>
      eb.not(eb.exists(eb.selectFrom('movement as undone').select('undone.id').whereRef('undone.reverses', '=', 'movement.id'))),
    )
    .limit(1)
    .executeTakeFirst();
  return row === undefined ? undefined : { recordedBy: row.recorded_by, happenedAt: row.happened_at };
}

/** What was in an account at a moment, kg: what is in it now, less what came later. */
export async function contentAt(db: Executor, account: string, at: string, nowKg: number, lastMovedAt: Date | null): Promise<number> {
  if (lastMovedAt === null || Date.parse(at) >= lastMovedAt.getTime()) return nowKg;
  const { rows } = await sql<{ later: string | null }>`
    select sum(mass_kg) as later from (
      select mass_kg from movement where to_account = ${account} and happened_at > ${at}
      union all select -mass_kg from movement where from_account = ${account} and happened_at > ${at}
    ) as side`.execute(db);
  return nowKg - Number(rows[0]?.later ?? 0);
}

export async function movementById(db: Executor, organisationId: string, id: string): Promise<Movement | undefined> {
  const row = await movementQuery(db, organisationId).where('movement.id', '=', id).executeTakeFirst();
  return row === undefined ? undefined : movementOf(row);
}

export async function movementByKey(db: Executor, organisationId: string, key: string): Promise<Movement | undefined> {
  const row = await movementQuery(db, organisationId).where('movement.idempotency_key', '=', key).executeTakeFirst();
  return row === undefined ? undefined : movementOf(row);
}
