import type { CurrentOrganisation, Organisation, OrganisationChange, SavedOrganisation } from '@hygromet/contract/organisation';
import type { FillPolicy, FillRule } from '@hygromet/core/cylinder/fill-rule';
import type { Executor } from './database';

export interface OrganisationRow extends CurrentOrganisation {
  readonly id: string;
}

const columnsOf = (organisation: Organisation) => ({
  name: organisation.name,
  altitude_m: organisation.altitudeM,
  required_rules: [...organisation.requiredRules],
  liquid_share_at_131f: organisation.liquidShareAt131F,
  hottest_k: organisation.hottestK,
  part_share: organisation.partShare,
  end_of_pump_down: organisation.endOfPumpDown,
  readings_kept_days: organisation.readingsKeptDays,
  people: [...organisation.people],
});

/** A row, or a state of it in the history: the driver gives decimals as text, JSON as numbers. */
type Stored = { readonly [column in keyof ReturnType<typeof columnsOf>]: unknown };

const settingsOf = (stored: Stored): Organisation => ({
  name: String(stored.name),
  altitudeM: Number(stored.altitude_m),
  requiredRules: stored.required_rules as FillRule[], // written by this server from the contract's own list
  liquidShareAt131F: Number(stored.liquid_share_at_131f),
  hottestK: Number(stored.hottest_k),
  partShare: Number(stored.part_share),
  endOfPumpDown: stored.end_of_pump_down as Organisation['endOfPumpDown'], // written from the contract's own list
  // states of before it was a setting
  readingsKeptDays: Number(stored.readings_kept_days ?? 30),
  people: (stored.people ?? []) as string[], // written by this server from the contract's own list
});

/** The organisation this server works for. Until there are accounts of people, there is one. */
export async function ownOrganisation(db: Executor): Promise<OrganisationRow> {
  const row = await db.selectFrom('organisation').selectAll().orderBy('created_at').limit(1).executeTakeFirstOrThrow();
  return {
    id: row.id,
    ...settingsOf(row),
    demo: row.demo,
    version: row.version,
    changedAt: row.changed_at?.toISOString() ?? null,
    changedBy: row.changed_by,
  };
}

export async function addOrganisation(db: Executor, id: string, organisation: Organisation, demo = false): Promise<void> {
  await db
    .insertInto('organisation')
    .values({ id, demo, ...columnsOf(organisation) })
    .execute();
}

/** Replaces the settings of the version that was seen; false where there is a newer one. The database counts the versions and keeps each. */
export async function saveOrganisation(
  db: Executor,
  id: string,
  { version, settings, recordedBy }: SavedOrganisation,
  now: Date,
): Promise<boolean> {
  const { numUpdatedRows } = await db
    .updateTable('organisation')
    .set({ ...columnsOf(settings), changed_at: now, changed_by: recordedBy })
    .where('id', '=', id)
    .where('version', '=', version)
    .executeTakeFirst();
  return numUpdatedRows === 1n;
}

/** Every state of the settings, the latest first. */
export async function organisationHistory(db: Executor, id: string): Promise<OrganisationChange[]> {
  const rows = await db
    .selectFrom('register_history')
    .selectAll()
    .where('register', '=', 'organisation')
    .where('id', '=', id)
    .orderBy('version', 'desc')
    .execute();
  return rows.map(({ version, state, changed_at, changed_by }) => ({
    version,
    settings: settingsOf(state as unknown as Stored), // a state is a row of that table
    changedAt: changed_at.toISOString(),
    changedBy: changed_by,
  }));
}

export const fillPolicyOf = ({ requiredRules, liquidShareAt131F }: Organisation): FillPolicy => ({
  required: requiredRules,
  liquidShareAt131F,
});
