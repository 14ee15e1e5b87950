import { sql, type Kysely } from 'kysely';

/** What a visit leaves behind: readings at its steps, its transfers, and every state of a system's facts. And the schools of the firm. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    alter table organisation
      add column part_share numeric(4, 3) not null default 0.8
        constraint organisation_part_share_leaves_room check (part_share between 0.5 and 0.8),
      add column end_of_pump_down text not null default 'slightly-positive'`.execute(db);
  await sql`
    create table visit_reading (
      organisation_id uuid not null references organisation,
      visit_id uuid not null references visit,
      reading_key uuid not null,
      step text not null,
      text text not null constraint reading_says_something check (btrim(text) <> ''),
      read_at timestamptz not null,
      recorded_by text not null,
      sequence bigint generated always as identity,
      constraint reading_kept_once primary key (organisation_id, reading_key)
    )`.execute(db);
  await sql`create index visit_reading_by_visit on visit_reading (visit_id, sequence)`.execute(db);
  await sql`create trigger visit_reading_append_only before update or delete on visit_reading for each row execute function refuse_change()`.execute(
    db,
  );
  await sql`alter table movement add constraint movement_of_a_visit foreign key (visit_id) references visit`.execute(db);
  await sql`create index movement_by_visit on movement (visit_id) where visit_id is not null`.execute(db);
  await factsHistory(db);
}

/** Kept by the database, whichever way the facts were changed; the states before this migration are taken as they stand. */
async function factsHistory(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table system_facts_history (
      organisation_id uuid not null references organisation,
      system_id uuid not null references system,
      version integer not null,
      facts jsonb not null,
      changed_at timestamptz not null default now(),
      changed_by text not null,
      primary key (system_id, version)
    )`.execute(db);
  await sql`
    create function keep_facts() returns trigger language plpgsql as $$
    begin
      insert into system_facts_history (organisation_id, system_id, version, facts, changed_at, changed_by)
        values (new.organisation_id, new.id, new.version, new.facts, coalesce(new.changed_at, now()), coalesce(new.changed_by, 'register'));
      return null;
    end $$`.execute(db);
  await sql`
    insert into system_facts_history (organisation_id, system_id, version, facts, changed_at, changed_by)
      select organisation_id, id, version, facts, coalesce(changed_at, now()), coalesce(changed_by, 'register') from system`.execute(db);
  await sql`create trigger system_facts_kept after insert or update of version on system for each row execute function keep_facts()`.execute(
    db,
  );
  await sql`
    create trigger system_facts_history_append_only before update or delete on system_facts_history
      for each row execute function refuse_change()`.execute(db);
}
