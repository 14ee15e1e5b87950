import type { LiveReading } from '@hygromet/contract/instrument';
import type { InstrumentReading } from '@hygromet/core/instruments/received';
import { sql } from 'kysely';
import type { Executor } from './database';

/** On this channel PostgreSQL says which readings came in: the first and the last of their numbers. */
export const READINGS_CHANNEL = 'readings';

/**
 * Numbers looked back at by who goes on after a break: transactions of others end in another order than their numbers, and one may hold as
 * many as a pack does. What comes twice is one reading by instrument, quantity and time.
 */
export const OVERLAP_COUNT = 5000;

/** A reading with the number that tells its place among all. */
export interface Numbered {
  readonly sequence: number;
  readonly organisationId: string;
  readonly reading: LiveReading;
}

export interface OwnedReading extends InstrumentReading {
  readonly organisationId: string;
}

/** Stores what is new, and says so to every server process, both or neither. @returns how many were new */
export async function addReadings(db: Executor, readings: readonly OwnedReading[]): Promise<number> {
  if (readings.length === 0) return 0;
  const column = <T>(of: (ownedReading: OwnedReading) => T) => readings.map(of);
  const { rows } = await sql<{ stored: number }>`
    with added as (
      insert into reading (organisation_id, instrument, quantity, measured_at, value)
      select o, i, q, to_timestamp(t), v
      from unnest(${column((ownedReading) => ownedReading.organisationId)}::uuid[], ${column((ownedReading) => ownedReading.instrument)}::text[],
        ${column((ownedReading) => ownedReading.quantity)}::text[], ${column((ownedReading) => ownedReading.at)}::double precision[],
        ${column((ownedReading) => ownedReading.value)}::double precision[]) as own (o, i, q, t, v)
      on conflict do nothing
      returning sequence
    ), told as (
      select pg_notify(${READINGS_CHANNEL}, min(sequence) || ' ' || max(sequence)) from added having count(*) > 0
    )
    select count(*)::int as stored, (select count(*) from told) from added`.execute(db);
  return rows[0]?.stored ?? 0;
}

const numbered = (db: Executor) =>
  db.selectFrom('reading').select(['organisation_id', 'instrument', 'quantity', 'measured_at', 'value', 'sequence']);
type Row = Awaited<ReturnType<ReturnType<typeof numbered>['execute']>>[number];
const numberedOf = ({ organisation_id, instrument, quantity, measured_at, value, sequence }: Row): Numbered => ({
  sequence: Number(sequence),
  organisationId: organisation_id,
  reading: [instrument, quantity, measured_at.getTime(), value],
});

/** Those of a stretch of numbers, in their order. */
export const readingsBetween = async (db: Executor, from: number, to: number, most = 20_000): Promise<Numbered[]> =>
  (
    await numbered(db).where('sequence', '>=', String(from)).where('sequence', '<=', String(to)).orderBy('sequence').limit(most).execute()
  ).map(numberedOf);

/** Those of some instruments since a time, the latest ones where there are more than fit, in the order of their numbers. */
export const readingsSince = async (
  db: Executor,
  organisationId: string,
  instruments: readonly string[],
  since: Date,
  most: number,
): Promise<Numbered[]> =>
  (
    await numbered(db)
      .where('organisation_id', '=', organisationId)
      .where('instrument', 'in', [...instruments])
      .where('measured_at', '>=', since)
      .orderBy('sequence', 'desc')
      .limit(most)
      .execute()
  )
    .map(numberedOf)
    .reverse();

/** Those of some instruments with a higher number. */
export const readingsAfter = async (
  db: Executor,
  organisationId: string,
  instruments: readonly string[],
  after: number,
  most: number,
): Promise<Numbered[]> =>
  (
    await numbered(db)
      .where('organisation_id', '=', organisationId)
      .where('instrument', 'in', [...instruments])
      .where('sequence', '>', String(after))
      .orderBy('sequence', 'desc')
      .limit(most)
      .execute()
  )
    .map(numberedOf)
    .reverse();

/** Partitions for the days to come, and none for those that are not kept any more. */
export const keepReadings = (db: Executor, days: number): Promise<unknown> => sql`select keep_readings(${days})`.execute(db);
