import type { AccountKind } from '@hygromet/contract/account';
import type { Movement, ScaleTarget } from '@hygromet/contract/movement';
import type { Objection } from '@hygromet/core/cylinder/objection';
import { sql, type RawBuilder } from 'kysely';
import { anyOf, inOrderOf } from './by-id';
import { contentHash } from './content-hash';
import type { Executor, Tx, TypedText } from './database';
import { withWords } from './movement-search';
import { allSentOnce, type SentOnce } from './sent-once-store';

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
export function contentOf(decided: Decided): object {
  const { from, to, massKg, grossBeforeKg, grossAfterKg, happenedAt, recordedBy, note, reverses } = decided;
  const { saidRefrigerant, acceptMixing = false, target, visit } = decided;
  const weighed = { from, to, massKg, grossBeforeKg, grossAfterKg, happenedAt: Date.parse(happenedAt), recordedBy, note, reverses };
  return { ...weighed, saidRefrigerant, acceptMixing, target, visit };
}

/** An entry to add. */
export interface NewEntry {
  readonly draft: Draft;
  /** What the person decided who sent it; nothing for an entry that is part of something else that was sent. */
  readonly decided?: Decided | undefined;
  readonly recordedAt: Date;
}

/** Adds an entry. The same sending again finds the first entry; its key with another content is refused. */
export async function addMovement(tx: Tx, draft: Draft, now: Date, decided?: Decided): Promise<SentOnce> {
  const [added] = await addMovements(tx, draft.organisationId, [{ draft, decided, recordedAt: now }]);
  return added!; // one for each
}

/** Adds entries of one organisation in one statement; what became of each, in the order in which they were given. */
export async function addMovements(tx: Tx, organisationId: string, entries: readonly NewEntry[]): Promise<readonly SentOnce[]> {
  const sent = await sentWith(tx, organisationId, entries);
  const states = entries.map((entry): SentOnce => sent.get(entry) ?? { state: 'first' });
  const rows = entries
    .filter((_, k) => states[k]!.state === 'first')
    .map(({ draft, decided = draft, recordedAt }) => ({
      ...rowOf(draft),
      content_hash: contentHash(contentOf(decided)),
      recorded_at: recordedAt,
    }));
  // in the order of the accounts they come from, as balances are touched: who books one by one waits, and never deadlocks
  rows.sort((one, other) => one.from_account.localeCompare(other.from_account));
  if (rows.length > 0) await tx.insertInto('movement').values(rows).execute();
  return states;
}

/** What was sent of these entries, and whether it was sent before. */
async function sentWith(tx: Tx, organisationId: string, entries: readonly NewEntry[]): Promise<ReadonlyMap<NewEntry, SentOnce>> {
  const decidedOnes = entries.flatMap((entry) => (entry.decided === undefined ? [] : [{ entry, content: contentOf(entry.decided) }]));
  if (decidedOnes.length === 0) return new Map();
  const sendings = decidedOnes.map(({ entry: { draft }, content }) => ({
    ...{ organisationId, key: draft.key, kind: 'booking' as const },
    ...{ content, answer: draft.id },
  }));
  const sent = await allSentOnce(tx, organisationId, sendings);
  return new Map(decidedOnes.map(({ entry }, k) => [entry, sent[k]!])); // one for each
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

/** By what a transfer is known again: readings, kg, of the same accounts, and how far apart they may be. */
export interface TwinQuestion extends Pick<Decided, 'from' | 'to' | 'happenedAt'> {
  readonly grossBeforeKg: number;
  readonly grossAfterKg: number;
  readonly withinMs: number;
  readonly withinKg: number;
}

export interface Twin {
  readonly recordedBy: string;
  readonly happenedAt: Date;
}

/** What was booked before with the same readings at about that time between the same accounts, and stands: perhaps the same transfer. */
export async function twinsOf(db: Executor, questions: readonly TwinQuestion[]): Promise<readonly (Twin | undefined)[]> {
  const asked = questions.map(({ from, to, grossBeforeKg, grossAfterKg, happenedAt, withinMs, withinKg }, n) => {
    const at = Date.parse(happenedAt);
    const [earliest, latest] = [new Date(at - withinMs).toISOString(), new Date(at + withinMs).toISOString()];
    return { n, from_account: from, to_account: to, before: grossBeforeKg, after: grossAfterKg, earliest, latest, within: withinKg };
  });
  const { rows } = await sql<{ n: number; recorded_by: string; happened_at: Date }>`
    select asked.n, twin.recorded_by, twin.happened_at
    from jsonb_to_recordset(${JSON.stringify(asked)}::jsonb) as asked(n int, from_account uuid, to_account uuid, before numeric,
      after numeric, earliest timestamptz, latest timestamptz, within numeric)
    cross join lateral (
      select recorded_by, happened_at from movement
      where from_account = asked.from_account and to_account = asked.to_account
        and happened_at between asked.earliest and asked.latest
        and abs(gross_before_kg - asked.before) <= asked.within and abs(gross_after_kg - asked.after) <= asked.within
        and not exists (select from movement undone where undone.reverses = movement.id)
      limit 1
    ) as twin`.execute(db);
  return questions.map((_, n) => {
    const row = rows.find((found) => found.n === n);
    return row === undefined ? undefined : { recordedBy: row.recorded_by, happenedAt: row.happened_at };
  });
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

/** In the order in which they are asked for; nothing for one that is not there. */
export async function movementsById(
  db: Executor,
  organisationId: string,
  ids: readonly string[],
): Promise<readonly (Movement | undefined)[]> {
  const rows = await movementQuery(db, organisationId).where('movement.id', '=', anyOf(ids)).execute();
  return inOrderOf(ids, rows.map(movementOf), ({ id }) => id);
}
