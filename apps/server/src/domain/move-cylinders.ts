import type { CylinderMoves } from '@hygromet/contract/cylinder-event';
import { addCylinderEvents, keysKept } from '../store/cylinder-event-store';
import { cylindersElsewhere, putCylinders } from '../store/cylinder-store';
import type { Executor } from '../store/database';
import { inTransaction } from '../store/in-transaction';
import type { OrganisationRow } from '../store/organisation-store';
import { refuseFuture } from './in-time';
import type { Environment } from './environment';

/** Puts cylinders in one place, in a few statements for thousands. Those that stand there already, and what was sent before, change nothing. */
export const moveCylinders = (
  db: Executor,
  organisation: OrganisationRow,
  moves: CylinderMoves,
  environment: Environment,
): Promise<{ moved: number }> =>
  inTransaction(db, async (tx) => {
    const { place, cylinders, happenedAt, recordedBy } = moves;
    refuseFuture(happenedAt, environment.now());
    const kept = await keysKept(
      tx,
      organisation.id,
      cylinders.map(({ key }) => key),
    );
    const keys = new Map(cylinders.filter(({ key }) => !kept.has(key)).map(({ id, key }) => [id, key]));
    if (keys.size === 0) return { moved: 0 };
    const elsewhere = await cylindersElsewhere(tx, organisation.id, [...keys.keys()], place);
    if (elsewhere.length === 0) return { moved: 0 };
    await addCylinderEvents(
      tx,
      elsewhere.map(({ id, place: from }) => ({
        id: environment.newId(),
        organisationId: organisation.id,
        cylinderId: id,
        key: keys.get(id)!, // asked for by these ids
        what: 'moved',
        detail: { place, from },
        happenedAt,
        recordedBy,
      })),
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
