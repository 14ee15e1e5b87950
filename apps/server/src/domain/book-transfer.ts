import type { Account } from '@hygromet/contract/account';
import { candidateOf } from '@hygromet/contract/candidate';
import { comingIn, type ComingIn } from '@hygromet/contract/coming-in';
import type { Booked, newTransfer } from '@hygromet/contract/movement';
import { isUnknown } from '@hygromet/core/cylinder/unknown-content';
import type { Objection } from '@hygromet/core/cylinder/objection';
import { classificationOf, isFlammable } from '@hygromet/core/fluids/classification';
import { sameRefrigerant } from '@hygromet/core/fluids/composition';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { isBelowTare } from '@hygromet/core/cylinder/scale-tolerance';
import type * as z from 'zod';
import type { ObjectionsQuestion } from '../computing/tasks';
import { changesWhenFilled, filled, type CylinderRecord } from '../store/cylinder-store';
import type { Draft } from '../store/movement-store';
import { fillPolicyOf, type OrganisationRow } from '../store/organisation-store';
import { askBack } from './asked-back';
import { assessmentOf } from './assessment';
import type { Entered } from './booked-answer';
import { bookedBefore, keyReused } from './booked-before';
import { compositionIn, computedWith, recordedCylinder } from './describe-cylinder';
import { emptiedIfSo } from './emptied';
import { refuseFuture } from './in-time';
import { JudgedAhead } from './judged-ahead';
import { refuseOtherVisit } from './other-visit';
import type { Environment } from './environment';
import { DomainError } from './domain-error';
import type { BookingLine, Desk, InTurn, WritingDesk } from './booking-line';

type Transfer = z.output<typeof newTransfer>;

/** Books a transfer in the line, together with what others book at the same time. @throws DomainError */
export function bookTransfer(line: BookingLine, transfer: Transfer): Promise<Booked> {
  const { environment } = line;
  const judged = new JudgedAhead(environment.computing);
  return line.book({
    into: transfer.cylinder,
    from: transfer.from,
    judgeAhead: (desk) => judgeAhead({ ...desk, transfer }, judged),
    enter: (desk, inTurn) => enterTransfer({ ...desk, transfer }, { inTurn, environment, judged }),
  });
}

/** A transfer where it is booked. */
interface Scene extends Desk {
  readonly transfer: Transfer;
}

interface WritingScene extends WritingDesk {
  readonly transfer: Transfer;
}

interface Means {
  readonly inTurn: InTurn;
  readonly environment: Environment;
  readonly judged: JudgedAhead;
}

/**
 * Enters a transfer into a cylinder by gross before and after, safe or not: the ledger tells the truth, the answer warns. Ask it with both
 * cylinders locked. A repeated key returns the first booking. Mixing two refrigerants is booked only after it was asked about.
 * @throws DomainError
 */
async function enterTransfer(scene: WritingScene, { inTurn, environment, judged }: Means): Promise<Entered> {
  const { organisation, store, transfer } = scene;
  const ends = await endsOf(scene);
  const { cylinder, source } = ends;
  const decided = {
    ...transfer,
    saidRefrigerant: transfer.refrigerant,
    to: cylinder.id,
    massKg: differenceKg(transfer.grossAfterKg, transfer.grossBeforeKg),
  };
  const earlier = await bookedBefore(store, transfer.key, decided);
  if (earlier !== undefined) return { movement: earlier, cylinder: cylinder.id, repeated: true };
  refuseFuture(transfer.happenedAt, environment.now());
  const massKg = massMoved(transfer, cylinder);
  if (transfer.visit !== undefined) await inTurn((tx) => refuseOtherVisit(tx, organisation.id, transfer.visit, transfer.from));
  await askBack(store, cylinder, decided, environment.now());
  const incoming = await incomingFrom(scene, ends);
  refuseUnaskedMixing(cylinder, incoming, transfer);
  const against = withoutVirgin(await judged.objections(questionOf(cylinder, incoming, scene)), source);
  const draft = { ...draftOf(transfer, organisation, incoming, massKg, environment.newId()), against };
  if (changesWhenFilled(cylinder)) await inTurn((tx) => filled(tx, cylinder, incoming.id, transfer.recordedBy));
  // last: from here on whoever books out of the same account waits
  const { state } = await store.add({ draft, decided, recordedAt: environment.now() });
  if (state !== 'first') throw keyReused();
  if (source.kind === 'cylinder') await inTurn((tx) => emptiedIfSo(tx, organisation.id, source.id, transfer.recordedBy));
  return { movement: draft.id, cylinder: cylinder.id, repeated: false };
}

/** What is refused, is refused under the lock: here it only is not judged. */
async function judgeAhead(scene: Scene, judged: JudgedAhead): Promise<void> {
  try {
    const ends = await endsOf(scene);
    await judged.objections(questionOf(ends.cylinder, await incomingFrom(scene, ends), scene));
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
  }
}

interface Ends {
  readonly cylinder: CylinderRecord;
  readonly source: Account;
}

async function endsOf({ store, transfer }: Scene): Promise<Ends> {
  const cylinder = await store.cylinder(transfer.cylinder);
  if (cylinder === undefined) throw new DomainError('not-found', 'This cylinder is not in the register.', '/cylinder');
  const source = await store.account(transfer.from);
  if (source === undefined) throw new DomainError('not-found', 'The account it comes from does not exist.', '/from');
  return { cylinder, source };
}

async function incomingFrom({ store, transfer }: Scene, { cylinder, source }: Ends): Promise<ComingIn> {
  const system = source.kind === 'system' ? await store.system(source.id) : undefined;
  const from = source.kind === 'cylinder' ? await store.cylinder(source.id) : undefined;
  const other = from === undefined ? undefined : recordedCylinder(from, new Date(transfer.happenedAt));
  const incoming = comingIn({ system, cylinder: other, refrigerant: transfer.refrigerant ?? null, into: cylinder, nominal });
  if (incoming === undefined) throw new DomainError('content-unknown', `Say which refrigerant comes from ${source.name}.`, '/refrigerant');
  return incoming;
}

/** Kilograms to a microgram: the difference of two decimals is again a decimal. */
export const differenceKg = (afterKg: number, beforeKg: number) => Number((afterKg - beforeKg).toFixed(9));

function massMoved({ grossBeforeKg, grossAfterKg }: Transfer, { tareKg, name }: CylinderRecord): number {
  if (isBelowTare(grossBeforeKg, tareKg))
    throw new DomainError(
      'below-tare',
      `The gross weight before is below the tare of ${name}. Read the scale again, and "TW" on the collar.`,
      '/grossBeforeKg',
    );
  const massKg = differenceKg(grossAfterKg, grossBeforeKg);
  if (massKg <= 0)
    throw new DomainError(
      'got-lighter',
      `${name} did not get heavier. Read the scale again; what leaves a cylinder is booked from that cylinder.`,
      '/grossAfterKg',
    );
  return massKg;
}

const nominal = (id: string) => {
  const classification = classificationOf(id);
  return {
    id,
    composition: refrigerant(id).composition,
    flammable: isFlammable(classification),
    safetyGroup: classification.safetyGroup,
  };
};

function questionOf(cylinder: CylinderRecord, incoming: ComingIn, { organisation, transfer }: Scene): ObjectionsQuestion {
  const into = recordedCylinder(cylinder, new Date(transfer.happenedAt)); // its stamp was good or not on that day
  // as the rack computes it: what is remembered of that designation is not computed anew
  const candidate = { ...candidateOf(into, (id) => refrigerant(id).composition), composition: computedWith(into) };
  return { candidate, incoming, policy: fillPolicyOf(organisation), hottestK: organisation.hottestK };
}

/** From the supplier it comes virgin. */
const withoutVirgin = (objections: readonly Objection[], { kind }: Account): readonly Objection[] =>
  kind === 'supplier' ? objections.filter((objection) => objection !== 'virgin') : objections;

/** Two refrigerants are mixed only knowingly, and with the reason: the reclaimer will ask. */
function refuseUnaskedMixing(cylinder: CylinderRecord, incoming: ComingIn, { acceptMixing, note }: Transfer): void {
  const inside = compositionIn(cylinder);
  if (inside === undefined || (!isUnknown(incoming.composition) && sameRefrigerant(inside, incoming.composition))) return;
  if (!acceptMixing)
    throw new DomainError(
      'would-mix',
      `${cylinder.name} is for ${cylinder.refrigerant ?? 'a mixture'}; ${incoming.id ?? 'a mixture'} would make a mixture that often cannot be reclaimed. ` +
        'Take another cylinder. If it has happened already, book it as it is.',
      '/cylinder',
    );
  if (note === undefined || note.trim() === '')
    throw new DomainError('reason-missing', 'Explain how the refrigerants got mixed. The reason is kept with the entry.', '/note');
}

function draftOf(transfer: Transfer, organisation: OrganisationRow, incoming: ComingIn, massKg: number, id: string): Draft {
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
    ...(transfer.target === undefined ? {} : { target: transfer.target }),
    happenedAt: transfer.happenedAt,
    recordedBy: transfer.recordedBy,
    ...(transfer.note === undefined ? {} : { note: transfer.note }),
    ...(transfer.visit === undefined ? {} : { visit: transfer.visit }),
  };
}
