import type { Booked, NewRemoval } from '@hygromet/contract/movement';
import { isBelowTare } from '@hygromet/core/cylinder/scale-tolerance';
import { accountById } from '../store/account-store';
import { changeCylinder, cylinderById, lockCylinders, type CylinderRecord } from '../store/cylinder-store';
import type { Executor } from '../store/database';
import { AtOnce } from '../store/at-once';
import { addMovement } from '../store/movement-store';
import type { OrganisationRow } from '../store/organisation-store';
import { askBack } from './asked-back';
import { assessmentOf } from './assessment';
import { differenceKg } from './book-transfer';
import { booking } from './booked-answer';
import { bookedBefore, keyReused } from './booked-before';
import { compositionIn } from './describe-cylinder';
import { emptiedIfSo } from './emptied';
import { refuseFuture } from './in-time';
import { refuseMissingVisit, refuseOtherVisit } from './other-visit';
import type { Environment } from './environment';
import { DomainError } from './domain-error';

/** Books what leaves a cylinder: by the scale, into a system, to the reclaimer, or into the air. @throws DomainError */
export const bookRemoval = (db: Executor, organisation: OrganisationRow, removal: NewRemoval, environment: Environment): Promise<Booked> =>
  booking(db, organisation, environment, async (tx) => {
    const store = new AtOnce(tx, organisation.id);
    await lockCylinders(tx, [removal.cylinder]);
    const cylinder = await cylinderById(tx, organisation.id, removal.cylinder);
    if (cylinder === undefined) throw new DomainError('not-found', 'This cylinder is not in the register.', '/cylinder');
    const decided = { ...removal, from: cylinder.id, massKg: differenceKg(removal.grossBeforeKg, removal.grossAfterKg) };
    const earlier = await bookedBefore(store, removal.key, decided);
    if (earlier !== undefined) return { movement: earlier, cylinder: cylinder.id, repeated: true };
    refuseFuture(removal.happenedAt, environment.now());
    const to = await accountById(tx, organisation.id, removal.to);
    if (to === undefined || to.kind === 'cylinder')
      throw new DomainError('not-found', 'Choose where it goes. Into another cylinder it is booked as a transfer into that one.', '/to');
    const massKg = massOut(removal, cylinder);
    // what goes to the reclaimer on a visit, or into the air, belongs to any visit; what is charged, to the system that was visited
    if (to.kind === 'system') await refuseOtherVisit(tx, organisation.id, removal.visit, to.id);
    else await refuseMissingVisit(tx, organisation.id, removal.visit);
    await askBack(store, cylinder, decided, environment.now());
    const composition = compositionIn(cylinder);
    if (composition === undefined)
      throw new DomainError('content-unknown', `${cylinder.name} is empty on record. Weigh it in first.`, '/grossBeforeKg');
    const id = environment.newId();
    const { state } = await addMovement(
      tx,
      {
        id,
        organisationId: organisation.id,
        key: removal.key,
        from: cylinder.id,
        to: to.id,
        massKg,
        refrigerant: cylinder.refrigerant,
        composition,
        known: 'weighed',
        grossBeforeKg: removal.grossBeforeKg,
        grossAfterKg: removal.grossAfterKg,
        typed: {
          ...(removal.grossBeforeTyped === undefined ? {} : { grossBefore: removal.grossBeforeTyped }),
          ...(removal.grossAfterTyped === undefined ? {} : { grossAfter: removal.grossAfterTyped }),
        },
        assessment: assessmentOf(organisation),
        happenedAt: removal.happenedAt,
        recordedBy: removal.recordedBy,
        ...(removal.note === undefined ? {} : { note: removal.note }),
        ...(removal.visit === undefined ? {} : { visit: removal.visit }),
      },
      environment.now(),
      decided,
    );
    if (state !== 'first') throw keyReused();
    await emptiedIfSo(tx, organisation.id, cylinder.id, removal.recordedBy);
    if (to.kind === 'reclaimer') await changeCylinder(tx, organisation.id, cylinder.id, { place: 'reclaimer' }, removal.recordedBy);
    return { movement: id, cylinder: cylinder.id, repeated: false };
  });

function massOut({ grossBeforeKg, grossAfterKg }: NewRemoval, { name, tareKg }: CylinderRecord): number {
  if (isBelowTare(grossAfterKg, tareKg))
    throw new DomainError(
      'below-tare',
      `The gross weight after is below the tare of ${name}. Read the scale again, and "TW" on the collar.`,
      '/grossAfterKg',
    );
  const massKg = differenceKg(grossBeforeKg, grossAfterKg);
  if (massKg <= 0)
    throw new DomainError(
      'got-heavier',
      `The weight of ${name} did not decrease. Read the scale again; what goes in is logged as a transfer.`,
      '/grossAfterKg',
    );
  return massKg;
}
