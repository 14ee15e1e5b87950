import { sql, type Kysely } from 'kysely';

/**
 * The record of a visit is what was added to it. What the visit is now is kept beside it, as balances are kept beside entries. What was
 * stored until now becomes its events, in the order in which it happened as far as that is known.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table visit_event (
      organisation_id uuid not null references organisation,
      visit_id uuid not null references visit,
      event_key uuid not null,
      sequence integer not null,
      kind text not null,
      body jsonb not null,
      content_hash text not null,
      happened_at timestamptz not null,
      recorded_at timestamptz not null default clock_timestamp(),
      recorded_by text not null,
      constraint visit_event_kept_once primary key (organisation_id, event_key),
      constraint visit_event_in_order unique (visit_id, sequence)
    )`.execute(db);
  await sql`
    insert into visit_event (organisation_id, visit_id, event_key, sequence, kind, body, content_hash, happened_at, recorded_at, recorded_by)
    select organisation_id, visit_id, event_key, row_number() over (partition by visit_id order by rank, happened_at, number), kind, body, '',
      happened_at, happened_at, recorded_by
    from (
      select organisation_id, id as visit_id, opening_key as event_key, 1 as rank, 0::bigint as number, 'opened' as kind,
        jsonb_build_object('system', system_id, 'day', to_char(day, 'YYYY-MM-DD'), 'reason', reason) as body, changed_at as happened_at,
        opened_by as recorded_by
      from visit
      union all
      select organisation_id, id, gen_random_uuid(), 2, 0, 'planned', jsonb_build_object('plan', plan), changed_at, opened_by
      from visit where plan is not null
      union all
      select organisation_id, visit_id, reading_key, 3, sequence, 'read', jsonb_build_object('step', step, 'text', text), read_at, recorded_by
      from visit_reading
      union all
      select organisation_id, id, gen_random_uuid(), 4, 0, 'closed', '{}', changed_at, opened_by
      from visit where state = 'closed'
    ) as before`.execute(db);
  await sql`alter table visit add column record jsonb`.execute(db);
  // the events of another time than their opening are none; the state is put together as the application does it
  await sql`
    update visit set
      version = (select count(*) from visit_event event where event.visit_id = visit.id),
      record = jsonb_build_object(
        'day', to_char(day, 'YYYY-MM-DD'), 'reason', reason, 'look', '{}'::jsonb, 'plan', plan, 'marked', '[]'::jsonb,
        'readings', coalesce((
          select jsonb_agg(jsonb_build_object('step', step, 'text', text,
            'readAt', to_char(read_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'), 'recordedBy', recorded_by) order by read_at, sequence)
          from visit_reading where visit_reading.visit_id = visit.id), '[]'::jsonb),
        'state', state, 'openedBy', opened_by, 'changedAt', to_char(changed_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'),
        'version', (select count(*) from visit_event event where event.visit_id = visit.id))`.execute(db);
  await sql`alter table visit alter column record set not null, drop column plan, drop column reason, drop column opened_by, drop column changed_at`.execute(
    db,
  );
  await sql`drop table visit_reading`.execute(db);
  await sql`
    create trigger visit_event_append_only before update or delete on visit_event for each row execute function refuse_change()`.execute(
    db,
  );
  await sql`
    create trigger visit_event_never_emptied before truncate on visit_event for each statement execute function refuse_removal()`.execute(
    db,
  );
  // an event follows the one before it: none is put in between, none is left out
  await sql`
    create function refuse_gap() returns trigger language plpgsql as $$
    begin
      if new.sequence <> coalesce((select max(sequence) from visit_event where visit_id = new.visit_id), 0) + 1 then
        raise exception 'the events of a visit follow one another' using errcode = 'restrict_violation';
      end if;
      return new;
    end $$`.execute(db);
  await sql`create trigger visit_event_follows before insert on visit_event for each row execute function refuse_gap()`.execute(db);
}
