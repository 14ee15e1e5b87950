import type { SystemKind } from '@hygromet/contract/system';
import type { NewVisit, NewVisitReading, Visit, VisitPlan } from '@hygromet/contract/visit';
import { sql } from 'kysely';
import { jsonArrayFrom, jsonObjectFrom } from 'kysely/helpers/postgres';
import type { Tx } from './database';

const visitQuery = (db: Tx, organisationId: string) =>
  db
    .selectFrom('visit')
    .innerJoin('system', 'system.id', 'visit.system_id')
    .where('visit.organisation_id', '=', organisationId)
    .select([
      'visit.id',
      'visit.reason',
      'visit.plan',
      'visit.state',
      'visit.opened_by',
      'visit.changed_at',
      'visit.version',
      'visit.system_id',
      'system.site',
      'system.name',
      'system.kind',
      'system.refrigerant',
      'system.version as facts_version',
      // a day has no time zone: it is read as it was written
      sql<string>`to_char(visit.day, 'YYYY-MM-DD')`.as('day'),
    ])
    .select((eb) => [
      jsonArrayFrom(
        eb
          .selectFrom('visit_reading')
          .whereRef('visit_reading.visit_id', '=', 'visit.id')
          .orderBy('visit_reading.sequence')
          .select(['visit_reading.step', 'visit_reading.text', 'visit_reading.read_at', 'visit_reading.recorded_by']),
      ).as('readings'),
      jsonObjectFrom(
        eb
          .selectFrom('movement')
          .leftJoin('movement as reversal', 'reversal.reverses', 'movement.id')
          .whereRef('movement.visit_id', '=', 'visit.id')
          .whereRef('movement.from_account', '=', 'visit.system_id')
          .where('reversal.id', 'is', null)
          .select((row) => [row.fn.countAll<string>().as('bookings'), row.fn.sum<string | null>('movement.mass_kg').as('mass_kg')]),
      ).as('recovered'),
    ]);

type Row = Awaited<ReturnType<ReturnType<typeof visitQuery>['execute']>>[number];

const visitOf = (row: Row): Visit => ({
  id: row.id,
  system: {
    id: row.system_id,
    site: row.site,
    name: row.name,
    kind: row.kind as SystemKind, // written from the contract's own list
    refrigerant: row.refrigerant,
    factsVersion: row.facts_version,
  },
  day: row.day,
  reason: row.reason,
  plan: row.plan,
  readings: row.readings.map(({ step, text, read_at, recorded_by }) => ({
    step,
    text,
    readAt: new Date(read_at).toISOString(),
    recordedBy: recorded_by,
  })),
  recovered: { bookings: Number(row.recovered?.bookings ?? 0), massKg: Number(row.recovered?.mass_kg ?? 0) },
  state: row.state as Visit['state'], // the database knows no other
  openedBy: row.opened_by,
  changedAt: row.changed_at.toISOString(),
  version: row.version,
});

export const visitsOf = async (db: Tx, organisationId: string): Promise<Visit[]> =>
  (await visitQuery(db, organisationId).orderBy('visit.day', 'desc').orderBy('system.site').execute()).map(visitOf);

export async function visitById(db: Tx, organisationId: string, id: string): Promise<Visit | undefined> {
  const row = await visitQuery(db, organisationId).where('visit.id', '=', id).executeTakeFirst();
  return row === undefined ? undefined : visitOf(row);
}

/** Opens a visit; a repeated key opens no second one. */
export async function addVisit(db: Tx, organisationId: string, id: string, draft: NewVisit, now: Date): Promise<string> {
  await db
    .insertInto('visit')
    .values({
      id,
      organisation_id: organisationId,
      opening_key: draft.key,
      system_id: draft.system,
      day: draft.day,
      reason: draft.reason,
      opened_by: draft.recordedBy,
      changed_at: now,
    })
    .onConflict((conflict) => conflict.constraint('visit_opened_once').doNothing())
    .execute();
  const { id: kept } = await db
    .selectFrom('visit')
    .select('id')
    .where('organisation_id', '=', organisationId)
    .where('opening_key', '=', draft.key)
    .executeTakeFirstOrThrow();
  return kept;
}

/** Changes the version that was seen; false where there is a newer one. */
export async function changeVisit(
  db: Tx,
  organisationId: string,
  id: string,
  version: number,
  change: { readonly plan?: VisitPlan; readonly state?: Visit['state']; readonly day?: string },
  now: Date,
): Promise<boolean> {
  const { numUpdatedRows } = await db
    .updateTable('visit')
    .set({
      ...(change.plan === undefined ? {} : { plan: JSON.stringify(change.plan) }),
      ...(change.state === undefined ? {} : { state: change.state }),
      ...(change.day === undefined ? {} : { day: change.day }),
      version: version + 1,
      changed_at: now,
    })
    .where('organisation_id', '=', organisationId)
    .where('id', '=', id)
    .where('version', '=', version)
    .executeTakeFirst();
  return numUpdatedRows === 1n;
}

/** Keeps a reading; a repeated key keeps no second one. */
export async function addReading(db: Tx, organisationId: string, visitId: string, reading: NewVisitReading): Promise<void> {
  await db
    .insertInto('visit_reading')
    .values({
      organisation_id: organisationId,
      visit_id: visitId,
      reading_key: reading.key,
      step: reading.step,
      text: reading.text,
      read_at: reading.readAt,
      recorded_by: reading.recordedBy,
    })
    .onConflict((conflict) => conflict.constraint('reading_kept_once').doNothing())
    .execute();
}
