import { sql, type Kysely } from 'kysely';

/** A visit keeps photographs, and its tests which instruments they follow; there are none until now. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table photograph (
      id uuid primary key,
      organisation_id uuid not null references organisation,
      jpeg bytea not null constraint photograph_of_fitting_size check (octet_length(jpeg) between 100 and 800000),
      added_at timestamptz not null,
      added_by text not null
    )`.execute(db);
  await sql`create trigger photograph_append_only before update or delete on photograph for each row execute function refuse_change()`.execute(
    db,
  );
  await sql`create trigger photograph_never_emptied before truncate on photograph for each statement execute function refuse_removal()`.execute(
    db,
  );
  await sql`
    update visit set record = record
      || '{"photographs": []}'::jsonb
      || jsonb_build_object('tests', (
        select coalesce(jsonb_agg(test || '{"followed": null}'::jsonb order by place), '[]')
        from jsonb_array_elements(record -> 'tests') with ordinality as each (test, place)
      ))`.execute(db);
}
