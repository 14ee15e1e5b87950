import type { CurrentOrganisation, SavedOrganisation } from '@hygromet/contract/organisation';
import type { Tx } from '../store/database';
import { inTransaction } from '../store/in-transaction';
import { ownOrganisation, saveOrganisation, type OrganisationRow } from '../store/organisation-store';
import type { Outside } from './outside';
import { Refused } from './refused';

export const settingsAnswer = ({ id: _, ...settings }: OrganisationRow): CurrentOrganisation => settings;

/** Changes the rules of the firm; somebody who has not seen the last change is told of it first. @throws Refused */
export const saveSettings = (db: Tx, saved: SavedOrganisation, outside: Outside): Promise<CurrentOrganisation> =>
  inTransaction(db, async (tx) => {
    const known = await ownOrganisation(tx);
    if (await saveOrganisation(tx, known.id, saved, outside.now())) return settingsAnswer(await ownOrganisation(tx));
    const { changedBy } = await ownOrganisation(tx);
    throw new Refused(
      'changed-meanwhile',
      `${changedBy ?? 'Somebody'} has changed these settings meanwhile. Check them as they are now; what you typed is still in the fields.`,
    );
  });
