import { sql, type Kysely } from 'kysely';

/**
 * Instruments, what passes on their readings, and the readings themselves, in one partition for each day: what is older than it is kept for
 * leaves with its partition. A reading is there once for its instrument, quantity and time.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table gateway (
      id uuid primary key,
      organisation_id uuid not null references organisation,
      name text not null,
      token_hash text not null unique,
      added_at timestamptz not null default clock_timestamp(),
      added_by text not null,
      revoked_at timestamptz
    )`.execute(db);
  await sql`
    create table instrument (
      organisation_id uuid not null references organisation,
      id text not null,
      gateway_id uuid not null references gateway,
      facts jsonb not null default '{}',
      heard_at timestamptz not null,
      primary key (organisation_id, id)
    )`.execute(db);
  await sql`create sequence reading_sequence`.execute(db);
  await sql`
    create table reading (
      organisation_id uuid not null,
      instrument text not null,
      quantity text not null,
      measured_at timestamptz not null,
      value double precision not null constraint reading_is_a_number check (value > '-infinity' and value < 'infinity'),
      received_at timestamptz not null default clock_timestamp(),
      sequence bigint not null default nextval('reading_sequence'),
      primary key (organisation_id, instrument, quantity, measured_at)
    ) partition by range (measured_at)`.execute(db);
  await sql`create index reading_in_order on reading (sequence)`.execute(db);
  await sql`create table reading_other_days partition of reading default`.execute(db);
  await sql`
    create function keep_readings(keep_days integer) returns void language plpgsql security definer
      set search_path = public, pg_temp as $$
    declare
      first date;
      name text;
    begin
      perform pg_advisory_xact_lock(hashtext('keep_readings'));
      for offset_days in -1 .. 2 loop
        first := (now() at time zone 'UTC')::date + offset_days;
        name := 'reading_' || to_char(first, 'YYYYMMDD');
        continue when to_regclass(name) is not null;
        begin
          execute format('create table %I partition of reading for values from (%L) to (%L)', name,
            first::timestamp at time zone 'UTC', (first + 1)::timestamp at time zone 'UTC');
        exception when check_violation then
          null; -- readings of that day lie among those of other days already, and stay there
        end;
      end loop;
      for name in
        select c.relname from pg_inherits i join pg_class c on c.oid = i.inhrelid
        where i.inhparent = 'reading'::regclass and c.relname ~ '^reading_[0-9]{8}$'
          and to_date(right(c.relname, 8), 'YYYYMMDD') < (now() at time zone 'UTC')::date - keep_days
      loop
        execute format('drop table %I', name);
      end loop;
      delete from reading_other_days where measured_at < now() - make_interval(days => keep_days);
    end $$`.execute(db);
  await sql`select keep_readings(30)`.execute(db);
  await sql`alter table organisation add column readings_kept_days integer not null default 30
    constraint readings_are_kept_a_while check (readings_kept_days between 1 and 3650)`.execute(db);
  await sql`update visit set record = record || '{"transfers": []}'::jsonb`.execute(db);
}
