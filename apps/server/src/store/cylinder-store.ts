import type { Cylinder, CylinderMarks, NewCylinder, Place } from '@hygromet/contract/cylinder';
import { usualMarks } from '@hygromet/contract/usual-marks';
import type { Typed } from '@hygromet/contract/primitives';
import { sql } from 'kysely';
import { sharesOf } from './account-store';
import { anyOf, inOrderOf } from './by-id';
import type { Executor, Tx } from './database';
import { actingAs } from './in-transaction';

/** A cylinder as it is stored, with what the ledger says is in it. */
export interface CylinderRecord {
  readonly id: string;
  readonly name: string;
  readonly volumeM3: number;
  readonly volumeTyped: Typed | null;
  readonly tareKg: number;
  readonly tareTyped: Typed | null;
  readonly servicePressurePa: number;
  readonly serviceTyped: Typed | null;
  readonly requalified: string;
  readonly place: Place;
  readonly refrigerant: string | null;
  readonly evacuatedAt: Date | null;
  readonly marks: CylinderMarks;
  readonly vacuum: Cylinder['vacuum'];
  readonly tareWeighedKg: number | null;
  readonly airShare: number | null;
  readonly retiredAt: Date | null;
  readonly weighedInAt: Date | null;
  readonly lastMovedAt: Date | null;
  readonly contentKg: number;
  readonly composition: Record<string, number> | null;
}

const parts = sql<Record<string, number> | null>`
  (select jsonb_object_agg(substance, part.mass_kg) from balance_part part where part.account_id = cylinder.id and part.mass_kg <> 0)`;

const cylinderQuery = (db: Executor, organisationId: string) =>
  db
    .selectFrom('cylinder')
    .innerJoin('account', 'account.id', 'cylinder.id')
    .leftJoin('balance', 'balance.account_id', 'cylinder.id')
    .where('cylinder.organisation_id', '=', organisationId)
    .selectAll('cylinder')
    .select(['account.name', 'balance.mass_kg as content_kg', 'balance.last_moved_at as last_moved', parts.as('parts')]);

type Row = Awaited<ReturnType<ReturnType<typeof cylinderQuery>['execute']>>[number];

const recordOf = (row: Row): CylinderRecord => ({
  id: row.id,
  name: row.name,
  volumeM3: Number(row.volume_m3),
  volumeTyped: row.volume_typed,
  tareKg: Number(row.tare_kg),
  tareTyped: row.tare_typed,
  servicePressurePa: Number(row.service_pressure_pa),
  serviceTyped: row.service_typed,
  requalified: row.requalified,
  place: row.place as Place, // written from the contract's own list
  refrigerant: row.refrigerant,
  evacuatedAt: row.evacuated_at,
  marks: row.marks,
  vacuum: row.vacuum,
  tareWeighedKg: row.tare_weighed_kg === null ? null : Number(row.tare_weighed_kg),
  airShare: row.air_share === null ? null : Number(row.air_share),
  retiredAt: row.retired_at,
  weighedInAt: row.weighed_in_at,
  lastMovedAt: row.last_moved,
  contentKg: row.content_kg === null ? 0 : Number(row.content_kg),
  composition: sharesOf(row.parts),
});

/** In the order of their names; of a page, those after a name. */
export async function cylindersOf(
  db: Executor,
  organisationId: string,
  { after, limit }: { readonly after?: string | undefined; readonly limit?: number } = {},
): Promise<CylinderRecord[]> {
  const rows = await cylinderQuery(db, organisationId)
    .orderBy('account.name')
    .$if(after !== undefined, (query) => query.where('account.name', '>', after ?? ''))
    .$if(limit !== undefined, (query) => query.limit(limit ?? 0))
    .execute();
  return rows.map(recordOf);
}

export async function cylinderById(db: Executor, organisationId: string, id: string): Promise<CylinderRecord | undefined> {
  const row = await cylinderQuery(db, organisationId).where('cylinder.id', '=', id).executeTakeFirst();
  return row === undefined ? undefined : recordOf(row);
}

/** In the order in which they are asked for; nothing for one that is not there. */
export async function cylindersById(
  db: Executor,
  organisationId: string,
  ids: readonly string[],
): Promise<readonly (CylinderRecord | undefined)[]> {
  const rows = await cylinderQuery(db, organisationId).where('cylinder.id', '=', anyOf(ids)).execute();
  return inOrderOf(ids, rows.map(recordOf), ({ id }) => id);
}

/**
 * Holds cylinders until the transaction ends: who books into them next sees what this one has booked. Other accounts among the ids are
 * passed over. One order for all, so that two transfers in opposite directions wait for each other and never deadlock.
 */
export async function lockCylinders(tx: Tx, ids: readonly string[]): Promise<void> {
  await tx.selectFrom('cylinder').select('id').where('id', '=', anyOf(ids)).orderBy('id').forUpdate().execute();
}

/** Holds those of the cylinders that nobody else holds; which of them others hold. Other accounts among the ids are passed over. */
export async function lockFreeCylinders(tx: Tx, ids: readonly string[]): Promise<readonly string[]> {
  const held = await tx
    .with('free', (db) => db.selectFrom('cylinder').select('id').where('id', '=', anyOf(ids)).orderBy('id').forUpdate().skipLocked())
    .selectFrom('cylinder')
    .select('id')
    .where('id', '=', anyOf(ids))
    .where('id', 'not in', (free) => free.selectFrom('free').select('id'))
    .execute();
  return held.map(({ id }) => id);
}

const typedColumn = (typed: Typed | undefined) => (typed === undefined ? null : JSON.stringify(typed));

export async function addCylinder(db: Executor, organisationId: string, id: string, draft: NewCylinder, now: Date): Promise<void> {
  await db
    .insertInto('cylinder')
    .values({
      id,
      organisation_id: organisationId,
      registration_key: draft.key,
      volume_m3: draft.volumeM3,
      volume_typed: typedColumn(draft.volumeTyped),
      tare_kg: draft.tareKg,
      tare_typed: typedColumn(draft.tareTyped),
      service_pressure_pa: draft.servicePressurePa,
      service_typed: typedColumn(draft.serviceTyped),
      requalified: draft.requalified,
      place: draft.place,
      refrigerant: draft.refrigerant ?? null,
      evacuated_at: draft.refrigerant === undefined ? now : null,
      marks: JSON.stringify(draft.marks ?? usualMarks),
    })
    .execute();
}

/** As a rule nothing of a cylinder changes as something goes in: then nothing is written, and no state of it kept. */
export const changesWhenFilled = ({ evacuatedAt, vacuum, refrigerant }: CylinderRecord): boolean =>
  evacuatedAt !== null || vacuum !== null || refrigerant === null;

/** Something went in: it is no longer evacuated, and where it had no label it has the first one. */
export async function filled(tx: Tx, was: CylinderRecord, refrigerant: string | undefined, by: string): Promise<void> {
  if (!changesWhenFilled(was)) return;
  await actingAs(tx, by);
  await tx
    .updateTable('cylinder')
    .set((eb) => ({ evacuated_at: null, vacuum: null, refrigerant: eb.fn.coalesce('refrigerant', eb.val(refrigerant ?? null)) }))
    .where('id', '=', was.id)
    .execute();
}

export async function cylinderByName(db: Executor, organisationId: string, name: string): Promise<CylinderRecord | undefined> {
  const row = await cylinderQuery(db, organisationId).where('account.name', '=', name).executeTakeFirst();
  return row === undefined ? undefined : recordOf(row);
}

/** What changed of a cylinder; what is not named stays. */
export interface CylinderChange {
  readonly place?: Place;
  readonly refrigerant?: string | null;
  readonly evacuatedAt?: Date | null;
  readonly vacuum?: Cylinder['vacuum'];
  readonly requalified?: string;
  readonly marks?: CylinderMarks;
  readonly tareWeighedKg?: number;
  readonly airShare?: number | null;
  readonly retiredAt?: Date;
  readonly weighedInAt?: Date;
}

/** @param by whose change it is */
export async function changeCylinder(tx: Tx, organisationId: string, id: string, change: CylinderChange, by: string): Promise<void> {
  await actingAs(tx, by);
  const { place, refrigerant, evacuatedAt, vacuum, requalified, marks, tareWeighedKg, airShare, retiredAt, weighedInAt } = change;
  await tx
    .updateTable('cylinder')
    .set({
      ...(place === undefined ? {} : { place }),
      ...(refrigerant === undefined ? {} : { refrigerant }),
      ...(evacuatedAt === undefined ? {} : { evacuated_at: evacuatedAt }),
      ...(vacuum === undefined ? {} : { vacuum: vacuum === null ? null : JSON.stringify(vacuum) }),
      ...(requalified === undefined ? {} : { requalified }),
      ...(marks === undefined ? {} : { marks: JSON.stringify(marks) }),
      ...(tareWeighedKg === undefined ? {} : { tare_weighed_kg: tareWeighedKg }),
      ...(airShare === undefined ? {} : { air_share: airShare }),
      ...(retiredAt === undefined ? {} : { retired_at: retiredAt }),
      ...(weighedInAt === undefined ? {} : { weighed_in_at: weighedInAt }),
    })
    .where('organisation_id', '=', organisationId)
    .where('id', '=', id)
    .execute();
}

/** Of these, the cylinders that stand elsewhere, with where; they are held until the transaction ends. */
export async function cylindersElsewhere(
  db: Executor,
  organisationId: string,
  ids: readonly string[],
  place: Place,
): Promise<readonly { readonly id: string; readonly place: string }[]> {
  return db
    .selectFrom('cylinder')
    .select(['id', 'place'])
    .where('organisation_id', '=', organisationId)
    .where('id', 'in', ids)
    .where('place', '<>', place)
    .orderBy('id')
    .forUpdate()
    .execute();
}

export async function putCylinders(tx: Tx, organisationId: string, ids: readonly string[], place: Place, by: string): Promise<void> {
  await actingAs(tx, by);
  await tx.updateTable('cylinder').set({ place }).where('organisation_id', '=', organisationId).where('id', 'in', ids).execute();
}
