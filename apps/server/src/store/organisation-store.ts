import type { FillPolicy, FillRule } from '@hygromet/core/cylinder/fill-rule';
import type { Organisation } from '@hygromet/contract/organisation';
import type { Tx } from './database';

export interface OrganisationRow extends Organisation {
  readonly id: string;
}

/** The organisation this server works for. Until there are accounts of people, there is one. */
export async function ownOrganisation(db: Tx): Promise<OrganisationRow> {
  const row = await db.selectFrom('organisation').selectAll().orderBy('created_at').limit(1).executeTakeFirstOrThrow();
  return {
    id: row.id,
    name: row.name,
    altitudeM: Number(row.altitude_m),
    requiredRules: row.required_rules as FillRule[], // written by this server from the contract's own list
    liquidShareAt131F: Number(row.liquid_share_at_131f),
    hottestK: Number(row.hottest_k),
    partShare: Number(row.part_share),
    endOfPumpDown: row.end_of_pump_down as Organisation['endOfPumpDown'], // written from the contract's own list
  };
}

const columnsOf = (organisation: Organisation) => ({
  name: organisation.name,
  altitude_m: organisation.altitudeM,
  required_rules: [...organisation.requiredRules],
  liquid_share_at_131f: organisation.liquidShareAt131F,
  hottest_k: organisation.hottestK,
  part_share: organisation.partShare,
  end_of_pump_down: organisation.endOfPumpDown,
});

export async function addOrganisation(db: Tx, id: string, organisation: Organisation): Promise<void> {
  await db
    .insertInto('organisation')
    .values({ id, ...columnsOf(organisation) })
    .execute();
}

export async function saveOrganisation(db: Tx, id: string, organisation: Organisation): Promise<void> {
  await db.updateTable('organisation').set(columnsOf(organisation)).where('id', '=', id).execute();
}

export const fillPolicyOf = ({ requiredRules, liquidShareAt131F }: Organisation): FillPolicy => ({
  required: requiredRules,
  liquidShareAt131F,
});
