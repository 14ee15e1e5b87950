import { sql } from 'kysely';
import type { Executor } from './database';

/**
 * One text for how all cylinders stand: it changes with every change of a cylinder, its name, its content, or the rules. Versions and entries
 * only ever rise and no row is ever removed, so their sums tell any change.
 */
export async function stateOfCylinders(db: Executor, organisationId: string): Promise<string> {
  const { rows } = await sql<{ state: string }>`
    select concat_ws('.', organisation.version, count(*), sum(cylinder.version), sum(account.version), sum(balance.entries)) as state
    from cylinder
      join organisation on organisation.id = cylinder.organisation_id
      join account on account.id = cylinder.id
      left join balance on balance.account_id = cylinder.id
    where cylinder.organisation_id = ${organisationId} group by organisation.version`.execute(db);
  return rows[0]?.state ?? 'none';
}
