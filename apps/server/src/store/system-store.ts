import type { FactsChange, NewSystem, SavedFacts, System, SystemKind } from '@hygromet/contract/system';
import { overdrawnBy } from '@hygromet/core/cylinder/same-weight';
import { anyOf, inOrderOf } from './by-id';
import type { Executor } from './database';

const systemQuery = (db: Executor, organisationId: string) =>
  db
    .selectFrom('system')
    .leftJoin('balance', 'balance.account_id', 'system.id')
    .where('system.organisation_id', '=', organisationId)
    .selectAll('system')
    .select('balance.mass_kg as content_kg');

type Row = Awaited<ReturnType<ReturnType<typeof systemQuery>['execute']>>[number];

const systemOf = (row: Row): System => ({
  id: row.id,
  site: row.site,
  name: row.name,
  kind: row.kind as SystemKind, // written from the contract's own list
  refrigerant: row.refrigerant,
  nameplateKg: Number(row.nameplate_kg),
  nameplateTyped: row.nameplate_typed,
  contentKg: Number(row.content_kg ?? 0),
  overdrawnByKg: overdrawnBy(Number(row.content_kg ?? 0)),
  facts: row.facts,
  version: row.version,
  changedAt: row.changed_at?.toISOString() ?? null,
  changedBy: row.changed_by,
});

export const systemsOf = async (db: Executor, organisationId: string): Promise<System[]> =>
  (await systemQuery(db, organisationId).orderBy('system.site').orderBy('system.name').execute()).map(systemOf);

export async function systemById(db: Executor, organisationId: string, id: string): Promise<System | undefined> {
  const row = await systemQuery(db, organisationId).where('system.id', '=', id).executeTakeFirst();
  return row === undefined ? undefined : systemOf(row);
}

/** In the order in which they are asked for; nothing for one that is not there. */
export async function systemsById(db: Executor, organisationId: string, ids: readonly string[]): Promise<readonly (System | undefined)[]> {
  const rows = await systemQuery(db, organisationId).where('system.id', '=', anyOf(ids)).execute();
  return inOrderOf(ids, rows.map(systemOf), ({ id }) => id);
}

export async function addSystem(db: Executor, organisationId: string, id: string, draft: NewSystem): Promise<void> {
  await db
    .insertInto('system')
    .values({
      id,
      organisation_id: organisationId,
      registration_key: draft.key,
      site: draft.site,
      name: draft.name,
      kind: draft.kind,
      refrigerant: draft.refrigerant,
      nameplate_kg: draft.nameplateKg,
      nameplate_typed: draft.nameplateTyped === undefined ? null : JSON.stringify(draft.nameplateTyped),
      facts: JSON.stringify(draft.facts ?? {}),
    })
    .execute();
}

/** Replaces the facts of the version that was seen; false where there is a newer one. */
export async function saveFacts(
  db: Executor,
  organisationId: string,
  id: string,
  { version, facts, recordedBy }: SavedFacts,
  now: Date,
): Promise<boolean> {
  const { numUpdatedRows } = await db
    .updateTable('system')
    .set({ facts: JSON.stringify(facts), version: version + 1, changed_at: now, changed_by: recordedBy })
    .where('organisation_id', '=', organisationId)
    .where('id', '=', id)
    .where('version', '=', version)
    .executeTakeFirst();
  return numUpdatedRows === 1n;
}

/** Every state of the facts, the latest first. */
export async function factsHistory(db: Executor, organisationId: string, id: string): Promise<FactsChange[]> {
  const rows = await db
    .selectFrom('system_facts_history')
    .selectAll()
    .where('organisation_id', '=', organisationId)
    .where('system_id', '=', id)
    .orderBy('version', 'desc')
    .execute();
  return rows.map(({ version, facts, changed_at, changed_by }) => ({
    version,
    facts,
    changedAt: changed_at.toISOString(),
    changedBy: changed_by,
  }));
}

export async function systemAt(db: Executor, organisationId: string, site: string, name: string): Promise<System | undefined> {
  const row = await systemQuery(db, organisationId).where('system.site', '=', site).where('system.name', '=', name).executeTakeFirst();
  return row === undefined ? undefined : systemOf(row);
}
