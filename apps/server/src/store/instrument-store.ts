import type { Gateway, Instrument } from '@hygromet/contract/instrument';
import { keptFact } from '@hygromet/core/instruments/identified';
import type { InstrumentFact } from '@hygromet/core/instruments/received';
import { sql } from 'kysely';
import type { Executor } from './database';

const gatewayQuery = (db: Executor) =>
  db.selectFrom('gateway').select(['id', 'organisation_id', 'name', 'added_at', 'added_by', 'revoked_at']);
type GatewayRow = Awaited<ReturnType<ReturnType<typeof gatewayQuery>['execute']>>[number];
const gatewayOf = ({ id, name, added_at, added_by, revoked_at }: GatewayRow): Gateway => ({
  id,
  name,
  addedAt: added_at.toISOString(),
  addedBy: added_by,
  revokedAt: revoked_at?.toISOString() ?? null,
});

export const gatewaysOf = async (db: Executor, organisationId: string): Promise<Gateway[]> =>
  (await gatewayQuery(db).where('organisation_id', '=', organisationId).orderBy('added_at').execute()).map(gatewayOf);

export interface Sender {
  readonly gatewayId: string;
  readonly organisationId: string;
}

/** Who has this token, while it may send. */
export async function senderBy(db: Executor, tokenHash: string): Promise<Sender | undefined> {
  const row = await gatewayQuery(db).where('token_hash', '=', tokenHash).where('revoked_at', 'is', null).executeTakeFirst();
  return row === undefined ? undefined : { gatewayId: row.id, organisationId: row.organisation_id };
}

export interface GatewayToAdd {
  readonly id: string;
  readonly name: string;
  readonly tokenHash: string;
  readonly addedBy: string;
}

export async function addGateway(db: Executor, organisationId: string, { id, name, tokenHash, addedBy }: GatewayToAdd): Promise<Gateway> {
  const row = await db
    .insertInto('gateway')
    .values({ id, organisation_id: organisationId, name, token_hash: tokenHash, added_by: addedBy })
    .returning(['id', 'organisation_id', 'name', 'added_at', 'added_by', 'revoked_at'])
    .executeTakeFirstOrThrow();
  return gatewayOf(row);
}

/** Once revoked it stays so, since then. */
export async function revokeGateway(db: Executor, organisationId: string, id: string, at: Date): Promise<Gateway | undefined> {
  await db
    .updateTable('gateway')
    .set({ revoked_at: at })
    .where('organisation_id', '=', organisationId)
    .where('id', '=', id)
    .where('revoked_at', 'is', null)
    .execute();
  const row = await gatewayQuery(db).where('organisation_id', '=', organisationId).where('id', '=', id).executeTakeFirst();
  return row === undefined ? undefined : gatewayOf(row);
}

/** That these instruments were heard, and what they said of themselves: newer facts are put over older ones. */
export async function heard(
  db: Executor,
  { organisationId, gatewayId }: Sender,
  ids: readonly string[],
  facts: readonly InstrumentFact[],
  at: Date,
) {
  if (ids.length === 0) return;
  // always in one order: two packs about the same instruments wait for each other instead of locking up
  const rows = [...new Set(ids)].sort().map((id) => ({
    id,
    facts: JSON.stringify(Object.assign({}, ...facts.filter(({ instrument }) => instrument === id).map(keptFact))),
  }));
  await db
    .insertInto('instrument')
    .values(rows.map(({ id, facts: told }) => ({ organisation_id: organisationId, id, gateway_id: gatewayId, facts: told, heard_at: at })))
    .onConflict((conflict) =>
      conflict.columns(['organisation_id', 'id']).doUpdateSet({
        gateway_id: gatewayId,
        facts: sql`instrument.facts || excluded.facts`,
        heard_at: sql`greatest(instrument.heard_at, excluded.heard_at)`,
      }),
    )
    .execute();
}

/** Those that were heard since, by their names, each with the last of its readings. */
export async function instrumentsSince(db: Executor, organisationId: string, since: Date): Promise<Instrument[]> {
  const rows = await db
    .selectFrom('instrument')
    .innerJoin('gateway', 'gateway.id', 'instrument.gateway_id')
    .where('instrument.organisation_id', '=', organisationId)
    .where('heard_at', '>=', since)
    .orderBy('instrument.id')
    .select(['instrument.id', 'gateway.name as gateway', 'facts', 'heard_at'])
    .execute();
  const last = await db
    .selectFrom('reading')
    .distinctOn(['instrument', 'quantity'])
    .where('organisation_id', '=', organisationId)
    .where('measured_at', '>=', since)
    .where('instrument', 'in', rows.length === 0 ? [''] : rows.map(({ id }) => id))
    .orderBy('instrument')
    .orderBy('quantity')
    .orderBy('measured_at', 'desc')
    .select(['instrument', 'quantity', 'measured_at', 'value'])
    .execute();
  return rows.map(({ id, gateway, facts, heard_at }) => ({
    id,
    gateway,
    facts,
    last: Object.fromEntries(
      last
        .filter(({ instrument }) => instrument === id)
        .map(({ quantity, measured_at, value }) => [quantity, { at: measured_at.toISOString(), value }]),
    ),
    heardAt: heard_at.toISOString(),
  }));
}
