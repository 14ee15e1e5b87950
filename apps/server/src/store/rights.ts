import { allSubstances } from '@hygromet/core/fluids/substance';
import { UNKNOWN_ID } from '@hygromet/core/cylinder/unknown-content';
import { sql } from 'kysely';
import type { Db } from './database';

/**
 * What the server may do to which table; everything else belongs to the owner, who only brings the database to shape. `update` names the
 * columns. Nobody but the owner's own functions writes balances, histories and seals.
 */
const APPLICATION: Record<string, { readonly insert?: true; readonly update?: readonly string[] }> = {
  organisation: {
    update: [
      'name', 'altitude_m', 'required_rules', 'liquid_share_at_131f', 'hottest_k', 'part_share', 'end_of_pump_down', 'readings_kept_days', 'people', 'changed_at', 'changed_by',
    ],
  },
  account: { insert: true },
  system: { insert: true, update: ['facts', 'version', 'changed_at', 'changed_by'] },
  cylinder: {
    insert: true,
    update: [
      'place', 'refrigerant', 'evacuated_at', 'vacuum', 'requalified', 'marks', 'tare_weighed_kg', 'air_share', 'retired_at', 'weighed_in_at',
    ],
  },
  cylinder_event: { insert: true },
  visit: { insert: true, update: ['record', 'state', 'day', 'version'] },
  visit_event: { insert: true },
  movement: { insert: true },
  shipment: { insert: true },
  shipment_receipt: { insert: true },
  price: { insert: true },
  sent_once: { insert: true },
  photograph: { insert: true },
  gateway: { insert: true, update: ['revoked_at'] },
  instrument: { insert: true, update: ['gateway_id', 'facts', 'heard_at'] },
  reading: { insert: true },
  balance: {},
  balance_part: {},
  balance_difference: {},
  system_facts_history: {},
  register_history: {},
  movement_seal: {},
  movement_unsealed: {},
  substance: {},
  kysely_migration: {},
}; // prettier-ignore

export const grantedTables = Object.keys(APPLICATION);

/** Gives the roles their rights anew, and writes down which substances exist. The owner does it, after the migrations. */
export const giveRights = (db: Db): Promise<void> =>
  db.transaction().execute(async (tx) => {
    const { rows } = await sql<{ name: string }>`select current_database() as name`.execute(tx);
    const database = sql.id(rows[0]?.name ?? '');
    await sql`revoke all on database ${database} from public`.execute(tx);
    await sql`grant connect on database ${database} to hygromet_app, hygromet_reader`.execute(tx);
    await sql`revoke all on schema public from public`.execute(tx);
    await sql`grant usage on schema public to hygromet_app, hygromet_reader`.execute(tx);
    await sql`revoke all on all tables in schema public from public, hygromet_app, hygromet_reader`.execute(tx);
    await sql`revoke execute on function seal_movements(integer) from public`.execute(tx);
    await sql`grant execute on function seal_movements(integer) to hygromet_app`.execute(tx);
    await sql`revoke execute on function keep_readings(integer) from public`.execute(tx);
    await sql`grant execute on function keep_readings(integer) to hygromet_app`.execute(tx);
    await sql`grant usage on sequence reading_sequence to hygromet_app`.execute(tx);
    for (const [name, { insert, update }] of Object.entries(APPLICATION)) {
      const table = sql.table(name);
      await sql`grant select on ${table} to hygromet_app, hygromet_reader`.execute(tx);
      if (insert) await sql`grant insert on ${table} to hygromet_app`.execute(tx);
      if (update) await sql`grant update (${sql.join(update.map((column) => sql.id(column)))}) on ${table} to hygromet_app`.execute(tx);
    }
    const known = sql.join([...allSubstances.map(({ id }) => id), UNKNOWN_ID].map((id) => sql`(${id})`));
    await sql`insert into substance (id) values ${known} on conflict do nothing`.execute(tx);
  });
