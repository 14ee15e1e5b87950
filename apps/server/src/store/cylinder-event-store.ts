import type { CylinderEvent } from '@hygromet/contract/cylinder-event';
import type { Tx } from './database';

interface EventDraft {
  readonly id: string;
  readonly organisationId: string;
  readonly cylinderId: string;
  readonly key: string;
  readonly what: CylinderEvent['what'];
  readonly detail: object;
  readonly happenedAt: string;
  readonly recordedBy: string;
  readonly note?: string | undefined;
}

export async function addCylinderEvent(db: Tx, draft: EventDraft, now: Date): Promise<void> {
  await db
    .insertInto('cylinder_event')
    .values({
      id: draft.id,
      organisation_id: draft.organisationId,
      cylinder_id: draft.cylinderId,
      event_key: draft.key,
      what: draft.what,
      detail: JSON.stringify(draft.detail),
      happened_at: draft.happenedAt,
      recorded_at: now,
      recorded_by: draft.recordedBy,
      note: draft.note ?? null,
    })
    .execute();
}

/** Whether this sending was kept before. Ask it with the cylinder locked: two sendings of one event then wait for each other. */
export async function cylinderEventKept(db: Tx, organisationId: string, key: string): Promise<boolean> {
  const kept = await db
    .selectFrom('cylinder_event')
    .select('id')
    .where('organisation_id', '=', organisationId)
    .where('event_key', '=', key)
    .executeTakeFirst();
  return kept !== undefined;
}

/** The latest first. */
export async function cylinderEventsOf(db: Tx, organisationId: string, cylinderId: string): Promise<CylinderEvent[]> {
  const rows = await db
    .selectFrom('cylinder_event')
    .selectAll()
    .where('organisation_id', '=', organisationId)
    .where('cylinder_id', '=', cylinderId)
    .orderBy('sequence', 'desc')
    .execute();
  return rows.map((row) => ({
    id: row.id,
    what: row.what as CylinderEvent['what'], // written from the contract's own list
    detail: row.detail,
    happenedAt: row.happened_at.toISOString(),
    recordedAt: row.recorded_at.toISOString(),
    recordedBy: row.recorded_by,
    note: row.note,
  }));
}
