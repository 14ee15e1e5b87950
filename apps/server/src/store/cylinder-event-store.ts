import type { CylinderEvent } from '@hygromet/contract/cylinder-event';
import type { Executor } from './database';

/** PostgreSQL takes 65 535 parameters in a statement. */
const ROWS_AT_A_TIME_COUNT = 5000;

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

export async function addCylinderEvent(db: Executor, draft: EventDraft, now: Date): Promise<void> {
  await db.insertInto('cylinder_event').values(rowOf(draft, now)).execute();
}

/** Several at once. */
export async function addCylinderEvents(db: Executor, drafts: readonly EventDraft[], now: Date): Promise<void> {
  const rows = drafts.map((draft) => rowOf(draft, now));
  for (let first = 0; first < rows.length; first += ROWS_AT_A_TIME_COUNT)
    await db
      .insertInto('cylinder_event')
      .values(rows.slice(first, first + ROWS_AT_A_TIME_COUNT))
      .execute();
}

const rowOf = (draft: EventDraft, now: Date) => ({
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
});

/** The latest first. */
export async function cylinderEventsOf(db: Executor, organisationId: string, cylinderId: string): Promise<CylinderEvent[]> {
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
