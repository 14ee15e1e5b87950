import type { NewSystem, System } from '@hygromet/contract/system';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { accountOfKind, addAccount } from '../store/account-store';
import type { Executor, Tx } from '../store/database';
import { inTransaction } from '../store/in-transaction';
import { addMovement } from '../store/movement-store';
import type { OrganisationRow } from '../store/organisation-store';
import { addSystem, systemById } from '../store/system-store';
import { doneBefore } from './done-before';
import type { Environment } from './environment';

/** Registers a system with its nameplate charge, which came from its maker: an entry known by the plate alone. */
export const registerSystem = (db: Executor, organisation: OrganisationRow, draft: NewSystem, environment: Environment): Promise<System> =>
  inTransaction(db, async (tx) => {
    const { id: refrigerantId, composition } = refrigerant(draft.refrigerant);
    const id = environment.newId();
    const before = await doneBefore(tx, { organisationId: organisation.id, key: draft.key, kind: 'system', content: draft, answer: id });
    if (before !== undefined) return registered(tx, organisation, before);
    const now = environment.now();
    await addAccount(tx, { id, organisationId: organisation.id, kind: 'system', name: `${draft.site}, ${draft.name}` });
    await addSystem(tx, organisation.id, id, draft);
    const supplier = await accountOfKind(tx, organisation.id, 'supplier');
    await addMovement(
      tx,
      {
        id: environment.newId(),
        organisationId: organisation.id,
        key: draft.key,
        from: supplier.id,
        to: id,
        massKg: draft.nameplateKg,
        refrigerant: refrigerantId,
        composition,
        known: 'nameplate',
        ...(draft.nameplateTyped === undefined ? {} : { typed: { nameplate: draft.nameplateTyped } }),
        happenedAt: now.toISOString(),
        recordedBy: 'register',
      },
      now,
    );
    return registered(tx, organisation, id);
  });

async function registered(tx: Tx, organisation: OrganisationRow, id: string): Promise<System> {
  const system = await systemById(tx, organisation.id, id);
  if (system === undefined) throw new Error(`the system ${id} was registered and is not there`);
  return system;
}
