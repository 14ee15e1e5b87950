import type { Account } from '@hygromet/contract/account';
import type { Booked, newTransfer } from '@hygromet/contract/movement';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { sameRefrigerant, type Composition } from '@hygromet/core/fluids/composition';
import type * as z from 'zod';
import { accountById } from '../store/account-store';
import { cylinderById, filled, lockCylinders, type CylinderRecord } from '../store/cylinder-store';
import type { Tx } from '../store/database';
import { inTransaction } from '../store/in-transaction';
import { emptiedIfSo } from './emptied';
import { addMovement, type Draft } from '../store/movement-store';
import type { OrganisationRow } from '../store/organisation-store';
import { systemById } from '../store/system-store';
import { visitById } from '../store/visit-store';
import { assessmentOf } from './assessment';
import { bookedAnswer } from './booked-answer';
import { compositionIn } from './cylinder-standing';
import type { Outside } from './outside';
import { Refused } from './refused';

type Transfer = z.output<typeof newTransfer>;

/** A scale that shows a little less than the collar says is no error of the person. */
const TARE_ACCURACY_KG = 0.05;

/**
 * Books a transfer into a cylinder by gross before and after, safe or not: the ledger tells the truth, the answer warns.
 * A repeated key returns the first booking. Mixing two refrigerants is booked only after it was asked about.
 * @throws Refused
 */
export const bookTransfer = (db: Tx, organisation: OrganisationRow, transfer: Transfer, outside: Outside): Promise<Booked> =>
  inTransaction(db, async (tx) => {
    await lockCylinders(tx, [transfer.cylinder, transfer.from]);
    const cylinder = await cylinderById(tx, organisation.id, transfer.cylinder);
    if (cylinder === undefined) throw new Refused('not-found', 'This cylinder is not in the register.', '/cylinder');
    const source = await accountById(tx, organisation.id, transfer.from);
    if (source === undefined) throw new Refused('not-found', 'The account it comes from does not exist.', '/from');
    const massKg = massMoved(transfer, cylinder);
    await refuseOtherVisit(tx, organisation.id, transfer);
    const incoming = await incomingRefrigerant(tx, organisation, source, transfer);
    const added = await addMovement(tx, draftOf(transfer, organisation, incoming, massKg, outside.newId()), outside.now());
    if (added.state === 'key-reused')
      throw new Refused('key-reused', 'This booking was sent before with other content. Reload, look at the ledger, and book again.');
    if (added.state === 'added') {
      // after the entry: a repeated key is answered before anything is asked again, and a refusal takes the entry back
      refuseUnaskedMixing(cylinder, incoming, transfer.acceptMixing);
      await filled(tx, cylinder.id, incoming.id);
      if (source.kind === 'cylinder') await emptiedIfSo(tx, organisation.id, source.id);
    }
    return bookedAnswer(tx, organisation, added.id, cylinder.id, added.state === 'repeated');
  });

/** Kilograms to a microgram: the difference of two decimals is again a decimal. */
export const differenceKg = (afterKg: number, beforeKg: number) => Number((afterKg - beforeKg).toFixed(9));

function massMoved({ grossBeforeKg, grossAfterKg }: Transfer, { tareKg, name }: CylinderRecord): number {
  if (grossBeforeKg < tareKg - TARE_ACCURACY_KG)
    throw new Refused(
      'below-tare',
      `The gross weight before is below the tare of ${name}. Read the scale again, and "TW" on the collar.`,
      '/grossBeforeKg',
    );
  const massKg = differenceKg(grossAfterKg, grossBeforeKg);
  if (massKg <= 0)
    throw new Refused(
      'got-lighter',
      `${name} did not get heavier. Read the scale again; what leaves a cylinder is booked from that cylinder.`,
      '/grossAfterKg',
    );
  return massKg;
}

/** A transfer belongs to the visit to the system it comes from. */
async function refuseOtherVisit(tx: Tx, organisationId: string, { visit: id, from }: Transfer): Promise<void> {
  if (id === undefined) return;
  const visit = await visitById(tx, organisationId, id);
  if (visit === undefined) throw new Refused('not-found', 'This visit is not there.', '/visit');
  if (visit.system.id !== from)
    throw new Refused(
      'other-visit',
      `That visit is to ${visit.system.site}. Choose what it comes from again, or book it without the visit.`,
      '/visit',
    );
}

interface Incoming {
  readonly id: string | undefined;
  readonly composition: Composition;
}

/** What comes in: a system's refrigerant, what is in another cylinder, or what the person says. */
async function incomingRefrigerant(tx: Tx, organisation: OrganisationRow, source: Account, transfer: Transfer): Promise<Incoming> {
  if (source.kind === 'system') {
    const system = await systemById(tx, organisation.id, source.id);
    if (system === undefined) throw new Error(`the account ${source.id} is a system without a record`);
    return { id: system.refrigerant, composition: refrigerant(system.refrigerant).composition };
  }
  if (source.kind === 'cylinder') {
    const from = await cylinderById(tx, organisation.id, source.id);
    const composition = from === undefined ? undefined : compositionIn(from);
    if (composition !== undefined) return { id: from?.refrigerant ?? undefined, composition };
  }
  if (transfer.refrigerant === undefined)
    throw new Refused('content-unknown', `Say which refrigerant comes from ${source.name}.`, '/refrigerant');
  return { id: transfer.refrigerant, composition: refrigerant(transfer.refrigerant).composition };
}

function refuseUnaskedMixing(cylinder: CylinderRecord, incoming: Incoming, accepted: boolean): void {
  const inside = compositionIn(cylinder);
  if (accepted || inside === undefined || sameRefrigerant(inside, incoming.composition)) return;
  const holds = cylinder.refrigerant ?? 'a mixture';
  throw new Refused(
    'would-mix',
    `${cylinder.name} is for ${holds}; ${incoming.id ?? 'a mixture'} would make a mixture that often cannot be reclaimed. ` +
      'Take another cylinder. If it has happened already, book it as it is.',
    '/cylinder',
  );
}

function draftOf(transfer: Transfer, organisation: OrganisationRow, incoming: Incoming, massKg: number, id: string): Draft {
  const typed = {
    ...(transfer.grossBeforeTyped === undefined ? {} : { grossBefore: transfer.grossBeforeTyped }),
    ...(transfer.grossAfterTyped === undefined ? {} : { grossAfter: transfer.grossAfterTyped }),
  };
  return {
    id,
    organisationId: organisation.id,
    key: transfer.key,
    from: transfer.from,
    to: transfer.cylinder,
    massKg,
    refrigerant: incoming.id ?? null,
    composition: incoming.composition,
    known: 'weighed',
    grossBeforeKg: transfer.grossBeforeKg,
    grossAfterKg: transfer.grossAfterKg,
    typed,
    assessment: assessmentOf(organisation),
    happenedAt: transfer.happenedAt,
    recordedBy: transfer.recordedBy,
    ...(transfer.note === undefined ? {} : { note: transfer.note }),
    ...(transfer.visit === undefined ? {} : { visit: transfer.visit }),
  };
}
