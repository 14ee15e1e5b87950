import { sql, type Kysely } from 'kysely';

/** What a row names belongs to the same firm as the row: PostgreSQL holds it, whatever a statement forgets to ask. */
const REFERENCES = [
  ['visit', 'system_id', 'system'],
  ['visit_event', 'visit_id', 'visit'],
  ['movement', 'visit_id', 'visit'],
  ['cylinder_event', 'cylinder_id', 'cylinder'],
  ['system_facts_history', 'system_id', 'system'],
  ['shipment_receipt', 'shipment_id', 'shipment'],
  ['instrument', 'gateway_id', 'gateway'],
] as const;

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const table of new Set(REFERENCES.map(([, , table]) => table)))
    await sql`alter table ${sql.ref(table)} add constraint ${sql.ref(`${table}_of_a_firm`)} unique (organisation_id, id)`.execute(db);
  for (const [table, column, named] of REFERENCES)
    await sql`
      alter table ${sql.ref(table)}
        drop constraint if exists ${sql.ref(`${table}_${column}_fkey`)},
        add constraint ${sql.ref(`${table}_${column}_of_one_firm`)}
          foreign key (organisation_id, ${sql.ref(column)}) references ${sql.ref(named)} (organisation_id, id)`.execute(db);
  await sql`alter table movement drop constraint if exists movement_of_a_visit`.execute(db);
}
