import type { NewReceipt, NewShipment, Receipt, Shipment, ShippedLine } from '@hygromet/contract/shipment';
import { sql } from 'kysely';
import type { Executor } from './database';

const shipmentQuery = (db: Executor, organisationId: string) =>
  db
    .selectFrom('shipment')
    .leftJoin('shipment_receipt as receipt', 'receipt.shipment_id', 'shipment.id')
    .where('shipment.organisation_id', '=', organisationId)
    .select([
      'shipment.id',
      'shipment.to_name',
      'shipment.carrier',
      sql<string>`to_char(shipment.day, 'YYYY-MM-DD')`.as('day'),
      'shipment.lines',
      'shipment.happened_at',
      'shipment.recorded_by',
      'receipt.body',
      'receipt.happened_at as received_at',
      'receipt.recorded_at as receipt_recorded_at',
      'receipt.recorded_by as receipt_recorded_by',
    ]);

type Row = Awaited<ReturnType<ReturnType<typeof shipmentQuery>['execute']>>[number];

const shipmentOf = (row: Row): Shipment => ({
  id: row.id,
  to: row.to_name,
  carrier: row.carrier,
  day: row.day,
  lines: row.lines,
  happenedAt: row.happened_at.toISOString(),
  recordedBy: row.recorded_by,
  receipt: receiptOf(row),
});

function receiptOf({ body, received_at, receipt_recorded_at, receipt_recorded_by }: Row): Receipt | null {
  if (body === null || received_at === null || receipt_recorded_at === null || receipt_recorded_by === null) return null;
  return {
    ...body,
    happenedAt: received_at.toISOString(),
    recordedAt: receipt_recorded_at.toISOString(),
    recordedBy: receipt_recorded_by,
  };
}

/** The latest first. */
export const shipmentsOf = async (db: Executor, organisationId: string): Promise<Shipment[]> =>
  (await shipmentQuery(db, organisationId).orderBy('shipment.day', 'desc').orderBy('shipment.recorded_at', 'desc').execute()).map(
    shipmentOf,
  );

export async function shipmentById(db: Executor, organisationId: string, id: string): Promise<Shipment | undefined> {
  const row = await shipmentQuery(db, organisationId).where('shipment.id', '=', id).executeTakeFirst();
  return row === undefined ? undefined : shipmentOf(row);
}

export async function addShipment(
  db: Executor,
  organisationId: string,
  id: string,
  shipment: NewShipment,
  lines: readonly ShippedLine[],
): Promise<void> {
  await db
    .insertInto('shipment')
    .values({
      id,
      organisation_id: organisationId,
      shipment_key: shipment.key,
      to_name: shipment.to,
      carrier: shipment.carrier ?? '',
      day: shipment.day,
      lines: JSON.stringify(lines),
      happened_at: shipment.happenedAt,
      recorded_by: shipment.recordedBy,
    })
    .execute();
}

/** @returns false where the shipment has its receipt already */
export async function addReceipt(
  db: Executor,
  organisationId: string,
  shipmentId: string,
  receipt: NewReceipt,
  body: Omit<Receipt, 'happenedAt' | 'recordedAt' | 'recordedBy'>,
): Promise<boolean> {
  const { numInsertedOrUpdatedRows } = await db
    .insertInto('shipment_receipt')
    .values({
      shipment_id: shipmentId,
      organisation_id: organisationId,
      receipt_key: receipt.key,
      body: JSON.stringify(body),
      happened_at: receipt.happenedAt,
      recorded_by: receipt.recordedBy,
    })
    .onConflict((conflict) => conflict.doNothing())
    .executeTakeFirst();
  return numInsertedOrUpdatedRows === 1n;
}
