import type { SystemKind } from '@hygromet/contract/system';
import type { NewVisit, Visit } from '@hygromet/contract/visit';
import type { NewVisitEvent, VisitEvent } from '@hygromet/contract/visit-event';
import type { VisitRecord } from '@hygromet/contract/visit-record';
import { withEvent } from '@hygromet/contract/visit-state';
import { jsonObjectFrom } from 'kysely/helpers/postgres';
import type { Executor, Tx } from './database';

const visitQuery = (db: Executor, organisationId: string) =>
  db
    .selectFrom('visit')
    .innerJoin('system', 'system.id', 'visit.system_id')
    .where('visit.organisation_id', '=', organisationId)
    .select([
      'visit.id',
      'visit.record',
      'visit.system_id',
      'system.site',
      'system.name',
      'system.kind',
      'system.refrigerant',
      'system.version as facts_version',
    ])
    .select((eb) => [
      jsonObjectFrom(
        eb
          .selectFrom('movement')
          .leftJoin('movement as reversal', 'reversal.reverses', 'movement.id')
          .whereRef('movement.visit_id', '=', 'visit.id')
          .whereRef('movement.from_account', '=', 'visit.system_id')
          .where('reversal.id', 'is', null)
          // what was lost before is no recovery: nobody has weighed it
          .where('movement.known', '=', 'weighed')
          .select((row) => [row.fn.countAll<string>().as('bookings'), row.fn.sum<string | null>('movement.mass_kg').as('mass_kg')]),
      ).as('recovered'),
    ]);

type Row = Awaited<ReturnType<ReturnType<typeof visitQuery>['execute']>>[number];

const visitOf = (row: Row): Visit => ({
  ...row.record,
  id: row.id,
  system: {
    id: row.system_id,
    site: row.site,
    name: row.name,
    kind: row.kind as SystemKind, // written from the contract's own list
    refrigerant: row.refrigerant,
    factsVersion: row.facts_version,
  },
  recovered: { bookings: Number(row.recovered?.bookings ?? 0), massKg: Number(row.recovered?.mass_kg ?? 0) },
});

export const visitsOf = async (db: Executor, organisationId: string): Promise<Visit[]> =>
  (await visitQuery(db, organisationId).orderBy('visit.day', 'desc').orderBy('system.site').execute()).map(visitOf);

export async function visitById(db: Executor, organisationId: string, id: string): Promise<Visit | undefined> {
  const row = await visitQuery(db, organisationId).where('visit.id', '=', id).executeTakeFirst();
  return row === undefined ? undefined : visitOf(row);
}

/** Everything that was added to a visit, in that order. */
export async function visitEventsOf(db: Executor, organisationId: string, id: string): Promise<VisitEvent[]> {
  const rows = await db
    .selectFrom('visit_event')
    .where('organisation_id', '=', organisationId)
    .where('visit_id', '=', id)
    .orderBy('sequence')
    .select(['kind', 'body', 'happened_at', 'recorded_at', 'recorded_by', 'sequence'])
    .execute();
  return rows.map(({ kind, body, happened_at, recorded_at, recorded_by, sequence }) => {
    const kept = { happenedAt: happened_at.toISOString(), recordedAt: recorded_at.toISOString(), recordedBy: recorded_by, sequence };
    return { kind, ...body, ...kept } as VisitEvent; // written from the contract's own schemas
  });
}

/** Opens a visit: its first event. */
export async function addVisit(
  db: Executor,
  organisationId: string,
  id: string,
  { key, recordedBy, ...body }: NewVisit,
  now: Date,
): Promise<void> {
  const at = now.toISOString();
  const event: VisitEvent = { kind: 'opened', ...body, happenedAt: at, recordedAt: at, recordedBy, sequence: 1 };
  await db
    .insertInto('visit')
    .values({
      id,
      organisation_id: organisationId,
      opening_key: key,
      system_id: body.system,
      day: body.day,
      record: JSON.stringify(withEvent(undefined, event)),
    })
    .execute();
  await insertEvent(db, { organisationId, visitId: id, key, body, event });
}

/** The visit, held until the transaction ends: events follow one another. */
export const lockVisit = (tx: Tx, organisationId: string, id: string) =>
  tx.selectFrom('visit').select('id').where('organisation_id', '=', organisationId).where('id', '=', id).forUpdate().executeTakeFirst();

/** Adds an event to a visit that is held, and keeps what the visit is since. */
export async function addVisitEvent(
  db: Executor,
  organisationId: string,
  visitId: string,
  before: VisitRecord,
  sent: NewVisitEvent,
  now: Date,
): Promise<void> {
  const { key, happenedAt, recordedBy, kind, ...rest } = sent;
  const { version: _version, ...body } = { version: undefined, ...rest };
  const sequence = before.version + 1;
  // as it will be read from the database
  const at = new Date(happenedAt).toISOString();
  const event = { kind, ...body, happenedAt: at, recordedAt: now.toISOString(), recordedBy, sequence } as VisitEvent; // the contract's schema, less key and version
  const record = withEvent(before, event);
  await insertEvent(db, { organisationId, visitId, key, body, event });
  await db
    .updateTable('visit')
    .set({ record: JSON.stringify(record), day: record.day, state: record.state, version: record.version })
    .where('organisation_id', '=', organisationId)
    .where('id', '=', visitId)
    .execute();
}

interface Kept {
  readonly organisationId: string;
  readonly visitId: string;
  readonly key: string;
  readonly body: object;
  readonly event: VisitEvent;
}

const insertEvent = (db: Executor, { organisationId, visitId, key, body, event }: Kept) =>
  db
    .insertInto('visit_event')
    .values({
      organisation_id: organisationId,
      visit_id: visitId,
      event_key: key,
      sequence: event.sequence,
      kind: event.kind,
      body: JSON.stringify(body),
      happened_at: event.happenedAt,
      recorded_at: event.recordedAt,
      recorded_by: event.recordedBy,
    })
    .execute();
