import type { Booked, NewWeighing } from '@hygromet/contract/movement';
import { accountOfKind } from '../store/account-store';
import { cylinderById, filled, lockCylinders, type CylinderRecord } from '../store/cylinder-store';
import type { Tx } from '../store/database';
import { inTransaction } from '../store/in-transaction';
import { addMovement, movementIdByKey, type Draft } from '../store/movement-store';
import type { OrganisationRow } from '../store/organisation-store';
import { assessmentOf } from './assessment';
import { differenceKg } from './book-transfer';
import { bookedAnswer } from './booked-answer';
import { compositionIn } from './cylinder-standing';
import { emptiedIfSo } from './emptied';
import { refuseFuture } from './in-time';
import type { Outside } from './outside';
import { Refused } from './refused';

/**
 * Books what the scale shows beyond the ledger, or short of it, against the account "unexplained". Afterwards the ledger says what
 * the scale says.
 * @throws Refused
 */
export const bookWeighing = (
  db: Tx,
  organisation: OrganisationRow,
  cylinderId: string,
  weighing: NewWeighing,
  outside: Outside,
): Promise<Booked> =>
  inTransaction(db, async (tx) => {
    await lockCylinders(tx, [cylinderId]);
    const cylinder = await cylinderById(tx, organisation.id, cylinderId);
    if (cylinder === undefined) throw new Refused('not-found', 'This cylinder is not in the register.');
    const earlier = await movementIdByKey(tx, organisation.id, weighing.key);
    if (earlier !== undefined) return bookedAnswer(tx, organisation, earlier, cylinder.id, true);
    refuseFuture(weighing.happenedAt, outside.now());
    const added = await bookDifference(tx, organisation, cylinder, weighing, outside);
    return bookedAnswer(tx, organisation, added.id, cylinder.id, added.repeated);
  });

/** The entry that brings the ledger to the scale. Ask it with the cylinder locked. @throws Refused */
export async function bookDifference(
  tx: Tx,
  organisation: OrganisationRow,
  cylinder: CylinderRecord,
  weighing: NewWeighing,
  outside: Outside,
): Promise<{ readonly id: string; readonly repeated: boolean }> {
  if (weighing.grossKg < cylinder.tareKg)
    throw new Refused('below-tare', `The gross weight is below the tare of ${cylinder.name}. Read both again.`, '/grossKg');
  const composition = compositionIn(cylinder);
  if (composition === undefined)
    throw new Refused(
      'content-unknown',
      `${cylinder.name} was empty and evacuated. Say what is in it before its weight is booked.`,
      '/grossKg',
    );
  const excess = differenceKg(weighing.grossKg, cylinder.tareKg + cylinder.contentKg);
  if (excess === 0) throw new Refused('invalid-input', 'Scale and ledger agree: there is nothing to book.', '/grossKg');
  const unexplained = await accountOfKind(tx, organisation.id, 'unexplained');
  const [from, to] = excess > 0 ? [unexplained.id, cylinder.id] : [cylinder.id, unexplained.id];
  const draft: Draft = {
    id: outside.newId(),
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
  const added = await addMovement(tx, draft, outside.now());
  if (added.state === 'key-reused')
    throw new Refused('key-reused', 'This weighing was sent before with other content. Reload and weigh again.');
  if (added.state === 'added') {
    if (excess > 0) await filled(tx, cylinder.id, undefined);
    else await emptiedIfSo(tx, organisation.id, cylinder.id);
  }
  return { id: added.id, repeated: added.state === 'repeated' };
}
