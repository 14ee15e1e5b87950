import { mass, say } from '@hygromet/contract/sentence';
import type { Cylinder, NewCylinder } from '@hygromet/contract/cylinder';
import { heldAtMost } from '@hygromet/core/cylinder/held-at-most';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { cubicMetre } from '@hygromet/core/units/quantity';
import { accountOfKind, addAccount } from '../store/account-store';
import { addCylinder, cylinderById, cylinderByKey, type CylinderRecord } from '../store/cylinder-store';
import type { Tx } from '../store/database';
import { inTransaction } from '../store/in-transaction';
import { addMovement } from '../store/movement-store';
import type { OrganisationRow } from '../store/organisation-store';
import { assessmentOf } from './assessment';
import { differenceKg } from './book-transfer';
import { describeCylinder } from './cylinder-standing';
import { refuseFutureStamp } from './record-cylinder-event';
import type { Outside } from './outside';
import { Refused } from './refused';

/** Registers a cylinder, and says how it stands. @throws Refused */
export async function registerCylinder(db: Tx, organisation: OrganisationRow, draft: NewCylinder, outside: Outside): Promise<Cylinder> {
  return describeCylinder(await enterCylinder(db, organisation, draft, outside), organisation, outside);
}

/** What the scale shows in it comes from "unexplained", for nobody has booked how it came there. @throws Refused */
export const enterCylinder = (db: Tx, organisation: OrganisationRow, draft: NewCylinder, outside: Outside): Promise<CylinderRecord> =>
  inTransaction(db, async (tx) => {
    const known = await cylinderByKey(tx, organisation.id, draft.key);
    if (known !== undefined) return known;
    const id = outside.newId();
    const now = outside.now();
    refuseFutureStamp(draft.requalified, now, '/requalified');
    refuseMoreThanFits(draft);
    await addAccount(tx, { id, organisationId: organisation.id, kind: 'cylinder', name: draft.name });
    await addCylinder(tx, organisation.id, id, draft, now);
    const foundKg = foundIn(draft);
    if (foundKg > 0 && draft.refrigerant !== undefined) {
      const unexplained = await accountOfKind(tx, organisation.id, 'unexplained');
      await addMovement(
        tx,
        {
          id: outside.newId(),
          organisationId: organisation.id,
          key: draft.key,
          from: unexplained.id,
          to: id,
          massKg: foundKg,
          refrigerant: draft.refrigerant,
          composition: refrigerant(draft.refrigerant).composition,
          known: 'weighed',
          ...(draft.grossKg === undefined ? {} : { grossAfterKg: draft.grossKg }),
          ...(draft.grossTyped === undefined ? {} : { typed: { gross: draft.grossTyped } }),
          note: 'found in it when it was registered',
          assessment: assessmentOf(organisation),
          happenedAt: now.toISOString(),
          recordedBy: 'register',
        },
        now,
      );
    }
    const record = await cylinderById(tx, organisation.id, id);
    if (record === undefined) throw new Error(`the cylinder ${id} was registered and is not there`);
    return record;
  });

/** kg that the scale shows in it. */
const foundIn = ({ grossKg, tareKg }: NewCylinder) => (grossKg === undefined ? 0 : differenceKg(grossKg, tareKg));

/** An unknown name is refused before anything is stored, and so is a weight that this volume cannot hold. */
function refuseMoreThanFits(draft: NewCylinder): void {
  if (draft.refrigerant === undefined) return;
  const most = heldAtMost(refrigerant(draft.refrigerant).composition, cubicMetre(draft.volumeM3));
  if (foundIn(draft) <= most) return;
  throw new Refused(
    'more-than-fits',
    say`That would be ${mass(foundIn(draft))} of ${draft.refrigerant}, and full of cold liquid it holds ${mass(most)}. Read the scale and its unit again, and "WC" on the collar.`,
    '/grossKg',
  );
}
