import { KEPT_TO_KG } from '@hygromet/core/account/ledger-resolution';
import { isBelowTare } from '@hygromet/core/cylinder/scale-tolerance';
import type { Booked, NewWeighing } from '@hygromet/contract/movement';
import { accountOfKind } from '../store/account-store';
import { cylinderById, filled, lockCylinders, type CylinderRecord } from '../store/cylinder-store';
import type { Executor, Tx } from '../store/database';
import { addMovement, movementByKey, type Draft } from '../store/movement-store';
import type { OrganisationRow } from '../store/organisation-store';
import { assessmentOf } from './assessment';
import { differenceKg } from './book-transfer';
import { booking } from './booked-answer';
import { keyReused } from './booked-before';
import { compositionIn } from './describe-cylinder';
import { emptiedIfSo } from './emptied';
import { refuseFuture } from './in-time';
import type { Environment } from './environment';
import { DomainError } from './domain-error';

/**
 * Books what the scale shows beyond the ledger, or short of it, against the account "unexplained". Afterwards the ledger says what
 * the scale says.
 * @throws DomainError
 */
export const bookWeighing = (
  db: Executor,
  organisation: OrganisationRow,
  cylinderId: string,
  weighing: NewWeighing,
  environment: Environment,
): Promise<Booked> =>
  booking(db, organisation, environment, async (tx) => {
    await lockCylinders(tx, [cylinderId]);
    const cylinder = await cylinderById(tx, organisation.id, cylinderId);
    if (cylinder === undefined) throw new DomainError('not-found', 'This cylinder is not in the register.');
    const earlier = await movementByKey(tx, organisation.id, weighing.key);
    if (earlier !== undefined) {
      // the mass was the ledger's difference at that time, so the reading tells whether it is the same weighing
      const sameReading = Math.abs((earlier.grossAfterKg ?? NaN) - weighing.grossKg) < KEPT_TO_KG;
      if (!sameReading || ![earlier.from.id, earlier.to.id].includes(cylinder.id)) throw keyReused();
      return { movement: earlier.id, cylinder: cylinder.id, repeated: true };
    }
    refuseFuture(weighing.happenedAt, environment.now());
    const id = await bookDifference(tx, organisation, cylinder, weighing, environment);
    return { movement: id, cylinder: cylinder.id, repeated: false };
  });

/** Books the entry that brings the ledger to the scale, and returns its id. Ask it with the cylinder locked. @throws DomainError */
export async function bookDifference(
  tx: Tx,
  organisation: OrganisationRow,
  cylinder: CylinderRecord,
  weighing: NewWeighing,
  environment: Environment,
): Promise<string> {
  if (isBelowTare(weighing.grossKg, cylinder.tareKg))
    throw new DomainError('below-tare', `The gross weight is below the tare of ${cylinder.name}. Read both again.`, '/grossKg');
  const composition = compositionIn(cylinder);
  if (composition === undefined)
    throw new DomainError(
      'content-unknown',
      `${cylinder.name} was empty and evacuated. Say what is in it before its weight is booked.`,
      '/grossKg',
    );
  // a scale that shows a little less than the collar: nothing is in it
  const excess = differenceKg(Math.max(weighing.grossKg, cylinder.tareKg), cylinder.tareKg + cylinder.contentKg);
  if (excess === 0) throw new DomainError('invalid-input', 'Scale and ledger agree: there is nothing to book.', '/grossKg');
  const unexplained = await accountOfKind(tx, organisation.id, 'unexplained');
  const [from, to] = excess > 0 ? [unexplained.id, cylinder.id] : [cylinder.id, unexplained.id];
  const draft: Draft = {
    id: environment.newId(),
    organisationId: organisation.id,
    key: weighing.key,
    from,
    to,
    massKg: Math.abs(excess),
    refrigerant: cylinder.refrigerant,
    composition,
    known: 'weighed',
    grossAfterKg: weighing.grossKg,
    ...(weighing.grossTyped === undefined ? {} : { typed: { gross: weighing.grossTyped } }),
    note: 'difference between scale and ledger',
    assessment: assessmentOf(organisation),
    happenedAt: weighing.happenedAt,
    recordedBy: weighing.recordedBy,
  };
  const added = await addMovement(tx, draft, environment.now());
  if (added.state !== 'added') throw keyReused();
  if (excess > 0) await filled(tx, cylinder, undefined, weighing.recordedBy);
  else await emptiedIfSo(tx, organisation.id, cylinder.id, weighing.recordedBy);
  return added.id;
}
