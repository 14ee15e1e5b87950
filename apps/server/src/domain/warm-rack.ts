import { cylindersOf } from '../store/cylinder-store';
import type { Executor } from '../store/database';
import { ownOrganisation } from '../store/organisation-store';
import { describeCylinders } from './describe-cylinder';
import type { Environment } from './environment';

/** Computes how all cylinders stand before anybody asks: the first who opens the rack of thousands after a start does not wait for it. */
export async function warmRack(db: Executor, environment: Environment): Promise<void> {
  const organisation = await ownOrganisation(db);
  await describeCylinders(await cylindersOf(db, organisation.id), organisation, environment);
}
