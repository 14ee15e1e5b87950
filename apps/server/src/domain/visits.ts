import type { MovedVisit, NewVisit, NewVisitReading, SavedPlan, Visit } from '@hygromet/contract/visit';
import type { Tx } from '../store/database';
import { inTransaction } from '../store/in-transaction';
import { systemById } from '../store/system-store';
import { addReading, addVisit, changeVisit, visitById } from '../store/visit-store';
import type { Outside } from './outside';
import { Refused } from './refused';

/** Opens a visit to a system; the same sending twice is one visit. */
export const openVisit = (db: Tx, organisationId: string, draft: NewVisit, outside: Outside): Promise<Visit> =>
  inTransaction(db, async (tx) => {
    if ((await systemById(tx, organisationId, draft.system)) === undefined)
      throw new Refused('not-found', 'This system is not in the register.', '/system');
    return read(tx, organisationId, await addVisit(tx, organisationId, outside.newId(), draft, outside.now()));
  });

/** Keeps what was decided. A plan that rests on facts which have changed since is refused: it has to be looked at again. */
export const savePlan = (db: Tx, organisationId: string, id: string, { version, plan }: SavedPlan, outside: Outside): Promise<Visit> =>
  inTransaction(db, async (tx) => {
    const visit = await open(tx, organisationId, id);
    if (plan.factsVersion !== visit.system.factsVersion)
      throw new Refused('changed-meanwhile', 'The facts of this system have changed since. Look at the plan again, then keep it.');
    return changed(tx, organisationId, id, version, { plan }, outside);
  });

export const closeVisit = (db: Tx, organisationId: string, id: string, version: number, outside: Outside): Promise<Visit> =>
  inTransaction(db, async (tx) => {
    await open(tx, organisationId, id);
    return changed(tx, organisationId, id, version, { state: 'closed' }, outside);
  });

/** An open visit is done on another day. */
export const moveVisit = (db: Tx, organisationId: string, id: string, { version, day }: MovedVisit, outside: Outside): Promise<Visit> =>
  inTransaction(db, async (tx) => {
    await open(tx, organisationId, id);
    return changed(tx, organisationId, id, version, { day }, outside);
  });

/** What was read at a step, added to the visit. */
export const keepReading = (db: Tx, organisationId: string, id: string, reading: NewVisitReading): Promise<Visit> =>
  inTransaction(db, async (tx) => {
    await open(tx, organisationId, id);
    await addReading(tx, organisationId, id, reading);
    return read(tx, organisationId, id);
  });

async function open(tx: Tx, organisationId: string, id: string): Promise<Visit> {
  const visit = await visitById(tx, organisationId, id);
  if (visit === undefined) throw new Refused('not-found', 'This visit is not there.');
  if (visit.state === 'closed') throw new Refused('changed-meanwhile', 'This visit is closed. Open a new one.');
  return visit;
}

async function changed(
  tx: Tx,
  organisationId: string,
  id: string,
  version: number,
  change: Parameters<typeof changeVisit>[4],
  outside: Outside,
) {
  if (!(await changeVisit(tx, organisationId, id, version, change, outside.now())))
    throw new Refused('changed-meanwhile', 'Somebody has changed this visit meanwhile. Reload it, and look again.');
  return read(tx, organisationId, id);
}

async function read(tx: Tx, organisationId: string, id: string): Promise<Visit> {
  const visit = await visitById(tx, organisationId, id);
  if (visit === undefined) throw new Error(`the visit ${id} was kept and is not there`);
  return visit;
}
