import { collarQuestion } from '@hygromet/contract/collar-question';
import { mass, say } from '@hygromet/contract/sentence';
import type { Cylinder, NewCylinder } from '@hygromet/contract/cylinder';
import { collarDoubts, type CollarDoubt } from '@hygromet/core/cylinder/collar-doubts';
import { heldAtMost } from '@hygromet/core/cylinder/held-at-most';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { cubicMetre } from '@hygromet/core/units/quantity';
import { accountOfKind, addAccount } from '../store/account-store';
import { addCylinder, cylinderById, type CylinderRecord } from '../store/cylinder-store';
import type { Executor, Tx } from '../store/database';
import { inTransaction } from '../store/in-transaction';
import { addMovement } from '../store/movement-store';
import type { OrganisationRow } from '../store/organisation-store';
import { assessmentOf } from './assessment';
import { differenceKg } from './book-transfer';
import { doneBefore } from './done-before';
import { describeCylinder } from './describe-cylinder';
import { refuseFutureStamp } from './record-cylinder-event';
import type { Environment } from './environment';
import { DomainError } from './domain-error';

/** Registers a cylinder, and says how it stands. @throws DomainError */
export async function registerCylinder(
  db: Executor,
  organisation: OrganisationRow,
  draft: NewCylinder,
  environment: Environment,
): Promise<Cylinder> {
  return describeCylinder(await enterCylinder(db, organisation, draft, environment), organisation, environment);
}

/** What the scale shows in it comes from "unexplained", for nobody has booked how it came there. @throws DomainError */
export const enterCylinder = (
  db: Executor,
  organisation: OrganisationRow,
  draft: NewCylinder,
  environment: Environment,
): Promise<CylinderRecord> =>
  inTransaction(db, async (tx) => {
    const id = environment.newId();
    const before = await doneBefore(tx, { organisationId: organisation.id, key: draft.key, kind: 'cylinder', content: draft, answer: id });
    if (before !== undefined) return registered(tx, organisation, before);
    const now = environment.now();
    refuseFutureStamp(draft.requalified, now, '/requalified');
    refuseMoreThanFits(draft);
    askAboutCollar(draft);
    await addAccount(tx, { id, organisationId: organisation.id, kind: 'cylinder', name: draft.name });
    await addCylinder(tx, organisation.id, id, draft, now);
    const foundKg = foundIn(draft);
    if (foundKg > 0 && draft.refrigerant !== undefined) {
      const unexplained = await accountOfKind(tx, organisation.id, 'unexplained');
      await addMovement(
        tx,
        {
          id: environment.newId(),
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
    return registered(tx, organisation, id);
  });

async function registered(tx: Tx, organisation: OrganisationRow, id: string): Promise<CylinderRecord> {
  const record = await cylinderById(tx, organisation.id, id);
  if (record === undefined) throw new Error(`the cylinder ${id} was registered and is not there`);
  return record;
}

/** kg that the scale shows in it. */
const foundIn = ({ grossKg, tareKg }: NewCylinder) => (grossKg === undefined ? 0 : differenceKg(grossKg, tareKg));

/** An unknown name is refused before anything is stored, and so is a weight that this volume cannot hold. */
function refuseMoreThanFits(draft: NewCylinder): void {
  if (draft.refrigerant === undefined) return;
  const most = heldAtMost(refrigerant(draft.refrigerant).composition, cubicMetre(draft.volumeM3));
  if (foundIn(draft) <= most) return;
  throw new DomainError(
    'more-than-fits',
    say`That would be ${mass(foundIn(draft))} of ${draft.refrigerant}, and full of cold liquid it holds ${mass(most)}. Read the scale and its unit again, and "WC" on the collar.`,
    '/grossKg',
  );
}

/** What hardly stands on a collar is asked back; `marks.confirmed` says that somebody has read it again. */
function askAboutCollar(draft: NewCylinder): void {
  const [doubt] = draft.marks?.confirmed === true ? [] : collarDoubts(draft);
  if (doubt !== undefined) throw new DomainError('collar-unusual', collarQuestion(doubt), POINTERS[doubt.code]);
}

const POINTERS: Record<CollarDoubt['code'], string> = {
  'nominal-size': '/volumeM3',
  swapped: '/volumeM3',
  'tare-unusual': '/tareKg',
  'service-low': '/servicePressurePa',
};
