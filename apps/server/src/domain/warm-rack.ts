import { setImmediate } from 'node:timers/promises';
import { cylindersOf } from '../store/cylinder-store';
import type { Tx } from '../store/database';
import { ownOrganisation } from '../store/organisation-store';
import { describeCylinder } from './cylinder-standing';
import type { Outside } from './outside';

/** So many are computed before somebody else has a turn. */
const AT_A_TIME = 20;

/** Computes how all cylinders stand before anybody asks: the first who opens the rack of thousands after a start does not wait for it. */
export async function warmRack(db: Tx, outside: Outside): Promise<void> {
  const organisation = await ownOrganisation(db);
  const records = await cylindersOf(db, organisation.id);
  for (const [k, record] of records.entries()) {
    describeCylinder(record, organisation, outside.now());
    if (k % AT_A_TIME === AT_A_TIME - 1) await setImmediate();
  }
}
