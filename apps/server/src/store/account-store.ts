import { NOTHING_KG } from '@hygromet/core/account/ledger-resolution';
import type { Account, AccountKind } from '@hygromet/contract/account';
import { sql } from 'kysely';
import { anyOf, inOrderOf } from './by-id';
import type { Executor } from './database';

export async function addAccount(
  db: Executor,
  account: { id: string; organisationId: string; kind: AccountKind; name: string },
): Promise<void> {
  await db
    .insertInto('account')
    .values({ id: account.id, organisation_id: account.organisationId, kind: account.kind, name: account.name })
    .execute();
}

const parts = sql<Record<string, number> | null>`
  (select jsonb_object_agg(substance, part.mass_kg) from balance_part part where part.account_id = account.id and part.mass_kg <> 0)`;

const accountQuery = (db: Executor, organisationId: string) =>
  db
    .selectFrom('account')
    .leftJoin('balance', 'balance.account_id', 'account.id')
    .where('account.organisation_id', '=', organisationId)
    .select(['account.id', 'account.kind', 'account.name', 'balance.mass_kg', 'balance.entries', parts.as('parts')]);

type AccountRow = Awaited<ReturnType<ReturnType<typeof accountQuery>['execute']>>[number];

function accountOf(row: AccountRow): Account {
  return {
    id: row.id,
    kind: row.kind as AccountKind, // held by the constraint account_kind_is_known
    name: row.name,
    massKg: row.mass_kg === null ? 0 : Number(row.mass_kg),
    composition: sharesOf(row.parts),
    movements: row.entries ?? 0,
  };
}

/** Shares by mass; none where nothing is left, or where one substance came in and another went out. */
export function sharesOf(masses: Record<string, number> | null): Record<string, number> | null {
  const left = Object.entries(masses ?? {}).filter(([, mass]) => Math.abs(mass) > NOTHING_KG);
  const total = left.reduce((sum, [, mass]) => sum + mass, 0);
  if (left.length === 0 || left.some(([, mass]) => mass / total <= 0)) return null;
  return Object.fromEntries(left.map(([substance, mass]) => [substance, mass / total]));
}

export const accountsOf = async (db: Executor, organisationId: string): Promise<Account[]> =>
  (await accountQuery(db, organisationId).orderBy('account.kind').orderBy('account.name').execute()).map(accountOf);

export async function accountById(db: Executor, organisationId: string, id: string): Promise<Account | undefined> {
  const row = await accountQuery(db, organisationId).where('account.id', '=', id).executeTakeFirst();
  return row === undefined ? undefined : accountOf(row);
}

/** In the order in which they are asked for; nothing for one that is not there. */
export async function accountsById(
  db: Executor,
  organisationId: string,
  ids: readonly string[],
): Promise<readonly (Account | undefined)[]> {
  const rows = await accountQuery(db, organisationId).where('account.id', '=', anyOf(ids)).execute();
  return inOrderOf(ids, rows.map(accountOf), ({ id }) => id);
}

/** The first account of a kind: there is one each of supplier, reclaimer, air, hoses and unexplained. */
export async function accountOfKind(db: Executor, organisationId: string, kind: AccountKind): Promise<Account> {
  return accountOf(
    await accountQuery(db, organisationId).where('account.kind', '=', kind).orderBy('account.name').limit(1).executeTakeFirstOrThrow(),
  );
}
