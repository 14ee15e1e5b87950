import { sql, type Kysely } from 'kysely';

/** Nothing of the registers is ever gone: every state of an account, a cylinder and the settings is kept, with its number and its author. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    alter table organisation
      add column version integer not null default 1,
      add column changed_at timestamptz,
      add column changed_by text`.execute(db);
  await sql`alter table account add column version integer not null default 1`.execute(db);
  await sql`alter table cylinder add column version integer not null default 1`.execute(db);
  await historyKept(db);
  await neverDeleted(db);
}

async function historyKept(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table register_history (
      organisation_id uuid not null references organisation,
      register text not null,
      id uuid not null,
      version integer not null,
      state jsonb not null,
      changed_at timestamptz not null default clock_timestamp(),
      changed_by text not null,
      primary key (id, register, version)
    )`.execute(db);
  await sql`
    create function count_version() returns trigger language plpgsql as $$
    begin
      if tg_table_name = 'account' and to_jsonb(new) ->> 'kind' <> to_jsonb(old) ->> 'kind' then
        raise exception 'an account stays what it is' using errcode = 'restrict_violation';
      end if;
      new.version := old.version + 1;
      return new;
    end $$`.execute(db);
  await sql`
    create function keep_register() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
    declare
      state jsonb := to_jsonb(new);
    begin
      insert into register_history (organisation_id, register, id, version, state, changed_by)
        values (coalesce((state ->> 'organisation_id')::uuid, new.id), tg_table_name, new.id, new.version, state,
          coalesce(state ->> 'changed_by', nullif(current_setting('hygromet.person', true), ''), session_user));
      return null;
    end $$`.execute(db);
  for (const table of ['organisation', 'account', 'cylinder']) {
    await sql`
      insert into register_history (organisation_id, register, id, version, state, changed_by)
        select ${sql.ref(table === 'organisation' ? 'id' : 'organisation_id')}, ${table}, id, 1, to_jsonb(it), 'register'
        from ${sql.table(table)} as it`.execute(db);
    await sql`
      create trigger ${sql.raw(`${table}_version_counted`)} before update on ${sql.table(table)}
        for each row when (old is distinct from new) execute function count_version()`.execute(db);
    await sql`
      create trigger ${sql.raw(`${table}_kept`)} after insert on ${sql.table(table)} for each row execute function keep_register()`.execute(
      db,
    );
    await sql`
      create trigger ${sql.raw(`${table}_change_kept`)} after update on ${sql.table(table)}
        for each row when (old.version is distinct from new.version) execute function keep_register()`.execute(db);
  }
  await sql`
    create trigger register_history_append_only before update or delete on register_history
      for each row execute function refuse_change()`.execute(db);
}

/** What has rows of its own that tell of it is not deleted, and no table of the record is emptied at one stroke. */
async function neverDeleted(db: Kysely<unknown>): Promise<void> {
  await sql`
    create function refuse_removal() returns trigger language plpgsql as $$
    begin
      raise exception 'nothing is removed from %: it is append-only, or retired', tg_table_name using errcode = 'restrict_violation';
    end $$`.execute(db);
  for (const table of ['organisation', 'account', 'system', 'cylinder', 'visit'])
    await sql`
      create trigger ${sql.raw(`${table}_never_deleted`)} before delete on ${sql.table(table)}
        for each row execute function refuse_removal()`.execute(db);
  const emptied = [
    'organisation',
    'account',
    'system',
    'cylinder',
    'visit',
    'cylinder_event',
    'visit_reading',
    'system_facts_history',
    'register_history',
  ];
  for (const table of emptied)
    await sql`
      create trigger ${sql.raw(`${table}_never_emptied`)} before truncate on ${sql.table(table)}
        for each statement execute function refuse_removal()`.execute(db);
}
