import { isBelowTare } from '@hygromet/core/cylinder/scale-tolerance';
import type { Booked, NewWeighing } from '@hygromet/contract/movement';
import { accountOfKind } from '../store/account-store';
import { cylinderById, filled, lockCylinders, type CylinderRecord } from '../store/cylinder-store';
import type { Executor, Tx } from '../store/database';
import { addMovement, type Draft } from '../store/movement-store';
import type { OrganisationRow } from '../store/organisation-store';
import { assessmentOf } from './assessment';
import { differenceKg } from './book-transfer';
import { booking } from './booked-answer';
import { compositionIn } from './describe-cylinder';
import { doneBefore } from './done-before';
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
    const id = environment.newId();
    const content = { cylinderId, ...weighing };
    const earlier = await doneBefore(tx, { organisationId: organisation.id, key: weighing.key, kind: 'booking', content, answer: id });
    if (earlier !== undefined) return { movement: earlier, cylinder: cylinder.id, repeated: true };
    refuseFuture(weighing.happenedAt, environment.now());
    await bookDifference(tx, organisation, cylinder, { ...weighing, id }, environment);
    return { movement: id, cylinder: cylinder.id, repeated: false };
  });

/** Books the entry that brings the ledger to the scale, under this id. Ask it with the cylinder locked. @throws DomainError */
export async function bookDifference(
  tx: Tx,
  organisation: OrganisationRow,
  cylinder: CylinderRecord,
  weighing: NewWeighing & { readonly id: string },
  environment: Environment,
): Promise<void> {
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
    id: weighing.id,
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
  await addMovement(tx, draft, environment.now());
  if (excess > 0) await filled(tx, cylinder, undefined, weighing.recordedBy);
  else await emptiedIfSo(tx, organisation.id, cylinder.id, weighing.recordedBy);
}
