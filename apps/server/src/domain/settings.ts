import type { CurrentOrganisation, SavedOrganisation } from '@hygromet/contract/organisation';
import type { Executor } from '../store/database';
import { inTransaction } from '../store/in-transaction';
import { ownOrganisation, saveOrganisation, type OrganisationRow } from '../store/organisation-store';
import type { Environment } from './environment';
import { DomainError } from './domain-error';

export const settingsAnswer = ({ id: _, ...settings }: OrganisationRow): CurrentOrganisation => settings;

/** Changes the rules of the firm; somebody who has not seen the last change is told of it first. @throws DomainError */
export const saveSettings = (db: Executor, saved: SavedOrganisation, environment: Environment): Promise<CurrentOrganisation> =>
  inTransaction(db, async (tx) => {
    const known = await ownOrganisation(tx);
    if (await saveOrganisation(tx, known.id, saved, environment.now())) return settingsAnswer(await ownOrganisation(tx));
    const { changedBy } = await ownOrganisation(tx);
    throw new DomainError(
      'changed-meanwhile',
      `${changedBy ?? 'Somebody'} has changed these settings meanwhile. Check them as they are now; what you typed is still in the fields.`,
    );
  });
