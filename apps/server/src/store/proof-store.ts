import { sql } from 'kysely';
import type { Db, Executor } from './database';

/** An entry as the proof reads it: every field as PostgreSQL writes it, nothing computed. */
export interface ProvedEntry {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly mass: string;
  readonly shares: Readonly<Record<string, string>>;
  readonly reverses: string | null;
  /** What is sealed of it, in the order of the seal. */
  readonly fields: readonly (string | null)[];
  readonly position: string | null;
  readonly hash: Buffer | null;
}

const entryColumns = sql`
  it.id, it.from_account as "from", it.to_account as "to", it.mass_kg::text as mass, it.reverses,
  (select jsonb_object_agg(key, value) from jsonb_each_text(it.composition)) as shares,
  array[
    it.id::text, it.organisation_id::text, it.idempotency_key::text, it.content_hash, it.from_account::text, it.to_account::text,
    it.mass_kg::text, it.refrigerant, it.composition::text, it.known, it.gross_before_kg::text, it.gross_after_kg::text,
    it.typed::text, it.note, it.assessment::text, it.target::text, it.against::text, it.visit_id::text,
    (extract(epoch from it.happened_at) * 1000000)::bigint::text, (extract(epoch from it.recorded_at) * 1000000)::bigint::text,
    it.recorded_by, it.sequence::text, it.reverses::text
  ] as fields`;

/** Everything that the proof reads, as it stood at one moment. */
export const atOneMoment = <T>(db: Db, work: (tx: Executor) => Promise<T>): Promise<T> =>
  db.transaction().setIsolationLevel('repeatable read').setAccessMode('read only').execute(work);

/** Sealed entries from a position on, in the order of their seal. */
export async function sealedEntries(tx: Executor, after: bigint, limit: number): Promise<readonly ProvedEntry[]> {
  const { rows } = await sql<ProvedEntry>`
    select ${entryColumns}, movement_seal.position::text, hash from movement_seal join movement it on it.id = movement_seal.movement_id
    where movement_seal.position > ${after.toString()} order by movement_seal.position limit ${limit}`.execute(tx);
  return rows;
}

/** Entries that no seal covers, with whether they wait for one. */
export async function unsealedEntries(tx: Executor): Promise<readonly (ProvedEntry & { readonly waits: boolean })[]> {
  const { rows } = await sql<ProvedEntry & { waits: boolean }>`
    select ${entryColumns}, null as position, null as hash, movement_unsealed.movement_id is not null as waits
    from movement it left join movement_unsealed on movement_unsealed.movement_id = it.id
    where not exists (select from movement_seal where movement_seal.movement_id = it.id) order by sequence`.execute(tx);
  return rows;
}

export async function reversedEntries(tx: Executor): Promise<ReadonlySet<string>> {
  const rows = await tx.selectFrom('movement').select('reverses').where('reverses', 'is not', null).execute();
  return new Set(rows.flatMap(({ reverses }) => reverses ?? []));
}

interface Counts {
  readonly entries: string;
  readonly seals: string;
}

export async function countsOf(tx: Executor): Promise<{ readonly entries: bigint; readonly seals: bigint }> {
  const { rows } = await sql<Counts>`
    select (select count(*) from movement)::text as entries, (select count(*) from movement_seal)::text as seals`.execute(tx);
  return { entries: BigInt(rows[0]?.entries ?? 0), seals: BigInt(rows[0]?.seals ?? 0) };
}

export interface BookedBalance {
  readonly account: string;
  readonly mass: string;
  readonly entries: number;
}

export async function bookedBalances(tx: Executor): Promise<readonly BookedBalance[]> {
  return (await sql<BookedBalance>`select account_id as account, mass_kg::text as mass, entries from balance`.execute(tx)).rows;
}

export interface BookedPart {
  readonly account: string;
  readonly substance: string;
  readonly mass: string;
}

export async function bookedParts(tx: Executor): Promise<readonly BookedPart[]> {
  return (await sql<BookedPart>`select account_id as account, substance, mass_kg::text as mass from balance_part`.execute(tx)).rows;
}

export async function accountNames(tx: Executor): Promise<ReadonlyMap<string, string>> {
  const rows = await tx.selectFrom('account').select(['id', 'name']).execute();
  return new Map(rows.map(({ id, name }) => [id, name]));
}

/** Rows of the registers whose present state is not the last one of their history. */
export async function unrecordedStates(tx: Executor): Promise<readonly string[]> {
  const { rows } = await sql<{ what: string }>`
    select 'cylinder ' || account.name as what from cylinder it join account using (id)
      where to_jsonb(it) is distinct from (select state from register_history h where h.id = it.id and register = 'cylinder' order by version desc limit 1)
    union all select 'account ' || it.name from account it
      where to_jsonb(it) is distinct from (select state from register_history h where h.id = it.id and register = 'account' order by version desc limit 1)
    union all select 'settings of ' || it.name from organisation it
      where to_jsonb(it) is distinct from (select state from register_history h where h.id = it.id and register = 'organisation' order by version desc limit 1)
    union all select 'facts of ' || it.site || ', ' || it.name from system it
      where facts is distinct from (select facts from system_facts_history h where h.system_id = it.id order by version desc limit 1)`.execute(
    tx,
  );
  return rows.map(({ what }) => what);
}
