import type { CylinderMoves } from '@hygromet/contract/cylinder-event';
import { addCylinderEvents } from '../store/cylinder-event-store';
import { cylindersElsewhere, putCylinders } from '../store/cylinder-store';
import type { Executor } from '../store/database';
import { inTransaction } from '../store/in-transaction';
import type { OrganisationRow } from '../store/organisation-store';
import { allSentOnce } from '../store/sent-once-store';
import { keyReused } from './booked-before';
import { refuseFuture } from './in-time';
import type { Environment } from './environment';

/** Puts cylinders in one place, in a few statements for thousands. Those that stand there already, and what was sent before, change nothing. @throws DomainError */
export const moveCylinders = (
  db: Executor,
  organisation: OrganisationRow,
  moves: CylinderMoves,
  environment: Environment,
): Promise<{ moved: number }> =>
  inTransaction(db, async (tx) => {
    const { place, cylinders, happenedAt, recordedBy } = moves;
    refuseFuture(happenedAt, environment.now());
    const sendings = cylinders.map(({ id, key }) => ({
      ...{ organisationId: organisation.id, key, kind: 'cylinder-move' as const },
      ...{ content: { cylinderId: id, place, happenedAt, recordedBy }, answer: environment.newId() },
    }));
    const sent = await allSentOnce(tx, organisation.id, sendings);
    if (sent.some(({ state }) => state === 'key-reused')) throw keyReused();
    const events = new Map(cylinders.flatMap(({ id }, k) => (sent[k]!.state === 'first' ? [[id, sendings[k]!]] : []))); // one for each
    if (events.size === 0) return { moved: 0 };
    const elsewhere = await cylindersElsewhere(tx, organisation.id, [...events.keys()], place);
    if (elsewhere.length === 0) return { moved: 0 };
    await addCylinderEvents(
      tx,
      elsewhere.map(({ id: cylinderId, place: from }) => {
        const { key, answer: id } = events.get(cylinderId)!; // asked for by these ids
        return { id, organisationId: organisation.id, cylinderId, key, what: 'moved', detail: { place, from }, happenedAt, recordedBy };
      }),
      environment.now(),
    );
    await putCylinders(
      tx,
      organisation.id,
      elsewhere.map(({ id }) => id),
      place,
      recordedBy,
    );
    return { moved: elsewhere.length };
  });
