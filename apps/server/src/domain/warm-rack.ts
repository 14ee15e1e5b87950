import { cylindersOf } from '../store/cylinder-store';
import type { Tx } from '../store/database';
import { ownOrganisation } from '../store/organisation-store';
import { describeCylinders } from './cylinder-standing';
import type { Outside } from './outside';

/** Computes how all cylinders stand before anybody asks: the first who opens the rack of thousands after a start does not wait for it. */
export async function warmRack(db: Tx, outside: Outside): Promise<void> {
  const organisation = await ownOrganisation(db);
  await describeCylinders(await cylindersOf(db, organisation.id), organisation, outside);
}
