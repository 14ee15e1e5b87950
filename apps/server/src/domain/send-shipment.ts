import type { NewShipment, Shipment, ShippedLine } from '@hygromet/contract/shipment';
import { sameRefrigerant } from '@hygromet/core/fluids/composition';
import { refrigerant as nominal } from '@hygromet/core/fluids/refrigerant';
import { cylinderById, lockCylinders, type CylinderRecord } from '../store/cylinder-store';
import type { Executor } from '../store/database';
import { inTransaction } from '../store/in-transaction';
import type { OrganisationRow } from '../store/organisation-store';
import { addShipment, shipmentById } from '../store/shipment-store';
import { doneBefore } from './done-before';
import { refuseFuture } from './in-time';
import { moveCylinders } from './move-cylinders';
import type { Environment } from './environment';
import { DomainError } from './domain-error';

/** Cylinders leave for the reclaimer, each with what the ledger says is in it. The same sending twice is one shipment. @throws DomainError */
export const sendShipment = (
  db: Executor,
  organisation: OrganisationRow,
  shipment: NewShipment,
  environment: Environment,
): Promise<Shipment> =>
  inTransaction(db, async (tx) => {
    const ids = shipment.cylinders.map(({ id }) => id);
    await lockCylinders(tx, ids);
    const id = environment.newId();
    const { key, ...content } = shipment;
    const before = await doneBefore(tx, { organisationId: organisation.id, key, kind: 'shipment', content, answer: id });
    if (before !== undefined) return shipmentOnRecord(tx, organisation.id, before);
    refuseFuture(shipment.happenedAt, environment.now());
    if (new Set(ids).size < ids.length) throw new DomainError('invalid-input', 'A cylinder is on it twice.', '/cylinders');
    const lines: ShippedLine[] = [];
    for (const [k, id] of ids.entries()) lines.push(lineOf(await cylinderById(tx, organisation.id, id), k));
    await addShipment(tx, organisation.id, id, shipment, lines);
    const { cylinders, happenedAt, recordedBy } = shipment;
    await moveCylinders(tx, organisation, { place: 'reclaimer', cylinders, happenedAt, recordedBy }, environment);
    return shipmentOnRecord(tx, organisation.id, id);
  });

function lineOf(cylinder: CylinderRecord | undefined, k: number): ShippedLine {
  if (cylinder === undefined) throw new DomainError('not-found', 'This cylinder is not in the register.', `/cylinders/${k}/id`);
  if (cylinder.retiredAt !== null)
    throw new DomainError('changed-meanwhile', `${cylinder.name} is out of use. Leave it off the shipment.`, `/cylinders/${k}/id`);
  const { id, name, refrigerant, composition, contentKg, tareKg } = cylinder;
  // a mixture has no designation, whatever its label says
  const pure = refrigerant === null || composition === null || sameRefrigerant(composition, nominal(refrigerant).composition);
  return { cylinder: id, name, refrigerant: pure ? refrigerant : null, composition, massKg: contentKg, tareKg };
}

/** @throws DomainError where there is none */
export async function shipmentOnRecord(db: Executor, organisationId: string, id: string): Promise<Shipment> {
  const shipment = await shipmentById(db, organisationId, id);
  if (shipment === undefined) throw new DomainError('not-found', 'This shipment is not on record.');
  return shipment;
}
