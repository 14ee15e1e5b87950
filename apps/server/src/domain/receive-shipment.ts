import type { NewReceipt, Shipment, ShippedLine } from '@hygromet/contract/shipment';
import { mass, say } from '@hygromet/contract/sentence';
import { sameWeight } from '@hygromet/core/cylinder/same-weight';
import { NOTHING_KG } from '@hygromet/core/account/ledger-resolution';
import { accountOfKind } from '../store/account-store';
import { addCylinderEvent } from '../store/cylinder-event-store';
import { changeCylinder, cylinderById, lockCylinders, type CylinderRecord } from '../store/cylinder-store';
import type { Executor, Tx } from '../store/database';
import { inTransaction } from '../store/in-transaction';
import { addMovement, type Draft } from '../store/movement-store';
import type { OrganisationRow } from '../store/organisation-store';
import { addReceipt } from '../store/shipment-store';
import { assessmentOf } from './assessment';
import { keyReused } from './booked-before';
import { differenceKg } from './book-transfer';
import { compositionIn } from './describe-cylinder';
import { doneBefore } from './done-before';
import { emptiedIfSo } from './emptied';
import { refuseFuture } from './in-time';
import type { Environment } from './environment';
import { DomainError } from './domain-error';
import { shipmentOnRecord } from './send-shipment';

type Line = NewReceipt['lines'][number];

/**
 * What the reclaimer weighed, found and credited. Each cylinder's content goes to the reclaimer by his scale, what differs from the ledger
 * to what is not accounted for, with its reason; then the cylinder is empty, and where it came back as. The same sending twice is one receipt.
 * @throws DomainError
 */
export const receiveShipment = (
  db: Executor,
  organisation: OrganisationRow,
  id: string,
  receipt: NewReceipt,
  environment: Environment,
): Promise<Shipment> =>
  inTransaction(db, async (tx) => {
    const shipment = await shipmentOnRecord(tx, organisation.id, id);
    await lockCylinders(
      tx,
      shipment.lines.map(({ cylinder }) => cylinder),
    );
    const { key, ...content } = receipt;
    const before = await doneBefore(tx, { organisationId: organisation.id, key, kind: 'receipt', content, answer: id });
    if (before !== undefined && before !== id) throw keyReused();
    if (before !== undefined) return shipmentOnRecord(tx, organisation.id, id);
    refuseFuture(receipt.happenedAt, environment.now());
    const sent = linesOfShipment(shipment, receipt);
    const { certificate = '', currency, charges, note = '' } = receipt;
    const lines = receipt.lines.map((line, k) => ({ ...line, sentKg: sent[k]!.massKg, name: sent[k]!.name })); // one each
    if (!(await addReceipt(tx, organisation.id, id, receipt, { certificate, currency, charges, note, lines })))
      throw new DomainError(
        'changed-meanwhile',
        'This shipment has its receipt already. Check it, and correct the cylinder it is wrong about.',
      );
    for (const [k, line] of receipt.lines.entries()) await receiveCylinder(tx, { organisation, shipment, receipt, environment }, line, k);
    return shipmentOnRecord(tx, organisation.id, id);
  });

/** As they were sent, in the order of the receipt: all of them, each once, and no other. */
function linesOfShipment(shipment: Shipment, { lines }: NewReceipt): readonly ShippedLine[] {
  const sent = new Map(shipment.lines.map((line) => [line.cylinder, line]));
  const found = lines.map(({ cylinder }, k) => {
    const line = sent.get(cylinder);
    if (line === undefined)
      throw new DomainError(
        'not-found',
        'This cylinder was not on this shipment. Look for the shipment it left with.',
        `/lines/${k}/cylinder`,
      );
    return line;
  });
  const named = new Set(lines.map(({ cylinder }) => cylinder));
  if (named.size < lines.length) throw new DomainError('invalid-input', 'A cylinder is on the receipt twice.', '/lines');
  const missing = shipment.lines.filter(({ cylinder }) => !named.has(cylinder));
  if (missing.length > 0)
    throw new DomainError(
      'invalid-input',
      `The receipt says nothing of ${missing.map(({ name }) => name).join(', ')}. Give what was weighed, 0 where nothing was.`,
      '/lines',
    );
  return found;
}

interface Scene {
  readonly organisation: OrganisationRow;
  readonly shipment: Shipment;
  readonly receipt: NewReceipt;
  readonly environment: Environment;
}

async function receiveCylinder(tx: Tx, scene: Scene, line: Line, k: number): Promise<void> {
  const { organisation, receipt } = scene;
  const cylinder = await cylinderById(tx, organisation.id, line.cylinder);
  if (cylinder === undefined) throw new Error(`the cylinder ${line.cylinder} was shipped and is not there`);
  const differsKg = differenceKg(line.receivedKg, cylinder.contentKg);
  if (line.difference.is === 'none' && !sameWeight(differsKg))
    throw new DomainError(
      'difference-open',
      say`The reclaimer weighed ${mass(line.receivedKg)} out of ${cylinder.name}, and the ledger has ${mass(cylinder.contentKg)}. Give the reason, or log the difference.`,
      `/lines/${k}/difference`,
    );
  // a surplus comes first: the ledger of a cylinder never goes below nothing on the way
  if (differsKg > NOTHING_KG) await book(tx, scene, line, cylinder, { from: 'unexplained', massKg: differsKg });
  if (line.receivedKg > NOTHING_KG) await book(tx, scene, line, cylinder, { to: 'reclaimer', massKg: line.receivedKg });
  if (differsKg < -NOTHING_KG) await book(tx, scene, line, cylinder, { to: 'unexplained', massKg: -differsKg });
  await emptiedIfSo(tx, organisation.id, cylinder.id, receipt.recordedBy);
  await comeBack(tx, scene, line, cylinder);
}

interface Leg {
  readonly from?: 'unexplained';
  readonly to?: 'reclaimer' | 'unexplained';
  readonly massKg: number;
}

async function book(
  tx: Tx,
  { organisation, shipment, receipt, environment }: Scene,
  line: Line,
  cylinder: CylinderRecord,
  leg: Leg,
): Promise<void> {
  const composition = compositionIn(cylinder);
  if (composition === undefined)
    throw new DomainError('content-unknown', `${cylinder.name} was empty on record: weigh it in first, with what was in it.`, '/lines');
  const other = (await accountOfKind(tx, organisation.id, leg.from ?? leg.to ?? 'unexplained')).id;
  const { certificate = '' } = receipt;
  const draft: Draft = {
    id: environment.newId(),
    organisationId: organisation.id,
    key: environment.newId(), // the receipt as a whole is kept once
    from: leg.from === undefined ? cylinder.id : other,
    to: leg.from === undefined ? other : cylinder.id,
    massKg: leg.massKg,
    refrigerant: cylinder.refrigerant,
    composition,
    known: leg.to === 'reclaimer' ? 'weighed' : 'estimated',
    note: leg.to === 'reclaimer' ? `receipt of ${shipment.to}${certificate === '' ? '' : `, ${certificate}`}` : reasonOf(line),
    assessment: assessmentOf(organisation),
    happenedAt: receipt.happenedAt,
    recordedBy: receipt.recordedBy,
  };
  await addMovement(tx, draft, environment.now());
}

const reasonOf = ({ difference }: Line): string =>
  difference.is === 'explained' ? difference.reason : "difference between the ledger and the reclaimer's scale";

async function comeBack(tx: Tx, { organisation, receipt, environment }: Scene, { back }: Line, cylinder: CylinderRecord): Promise<void> {
  if (back === 'not-yet') return;
  const { happenedAt, recordedBy } = receipt;
  const event = {
    id: environment.newId(),
    organisationId: organisation.id,
    cylinderId: cylinder.id,
    key: environment.newId(),
    happenedAt,
    recordedBy,
  };
  if (back === 'exchanged') {
    await addCylinderEvent(tx, { ...event, what: 'retired', detail: { reason: 'exchanged by the reclaimer' } }, environment.now());
    await changeCylinder(tx, organisation.id, cylinder.id, { retiredAt: new Date(happenedAt) }, recordedBy);
    return;
  }
  await addCylinderEvent(tx, { ...event, what: 'moved', detail: { place: 'workshop', from: cylinder.place } }, environment.now());
  await changeCylinder(tx, organisation.id, cylinder.id, { place: 'workshop' }, recordedBy);
}
