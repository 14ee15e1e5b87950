import { sql, type Kysely } from 'kysely';

/**
 * What PostgreSQL holds against whoever speaks SQL: numbers that are numbers, compositions of known substances, reversals that mirror their
 * entry, the clock of the database.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await numbersAreNumbers(db);
  await compositionsAreSound(db);
  await entriesAreSound(db);
  await keptByTheOwner(db);
}

/** `NaN` is larger than every number for PostgreSQL, and equal to itself: no other check finds it. */
async function numbersAreNumbers(db: Kysely<unknown>): Promise<void> {
  const columns: Record<string, readonly string[]> = {
    organisation: ['altitude_m', 'liquid_share_at_131f', 'hottest_k', 'part_share'],
    system: ['nameplate_kg'],
    cylinder: ['volume_m3', 'tare_kg', 'service_pressure_pa', 'tare_weighed_kg', 'air_share'],
    movement: ['mass_kg', 'gross_before_kg', 'gross_after_kg'],
    balance: ['mass_kg'],
    balance_part: ['mass_kg'],
  };
  for (const [table, names] of Object.entries(columns)) {
    const condition = names.map((name) => `${name} <> 'NaN'::numeric`).join(' and ');
    // not valid: what stands there already is found by the proof of the ledger, and an old row must not keep the house from opening
    await sql`alter table ${sql.table(table)} add constraint ${sql.raw(`${table}_holds_numbers`)} check (${sql.raw(condition)}) not valid`.execute(
      db,
    );
  }
}

/** An empty composition sums to nothing, and a check that comes out unknown passes: here it does not. */
async function compositionsAreSound(db: Kysely<unknown>): Promise<void> {
  await sql`
    create or replace function sums_to_one(composition jsonb) returns boolean immutable language sql as $$
      select coalesce(abs(sum(value::numeric) - 1) < 0.000001 and min(value::numeric) > 0 and max(value::numeric) <= 1, false)
      from jsonb_each_text(composition)
    $$`.execute(db);
  await sql`create table substance (id text primary key)`.execute(db);
}

async function entriesAreSound(db: Kysely<unknown>): Promise<void> {
  await sql`
    create function refuse_unsound() returns trigger language plpgsql as $$
    declare
      wrong movement;
      stranger text;
    begin
      select key into stranger from jsonb_object_keys(new.composition) as key where key not in (select id from substance) limit 1;
      if stranger is not null then
        raise exception '% is no substance that is known here', stranger
          using errcode = 'check_violation', constraint = 'movement_of_known_substances';
      end if;
      -- who owns the ledger restores it and loads a demonstration; everybody else writes at the moment at which he writes
      if not pg_has_role(session_user, 'hygromet_owner', 'member') then new.recorded_at := clock_timestamp(); end if;
      if new.happened_at > clock_timestamp() + interval '15 minutes' then
        raise exception 'what is recorded has happened: % is still to come', new.happened_at
          using errcode = 'check_violation', constraint = 'movement_has_happened';
      end if;
      if new.reverses is not null then
        select * into wrong from movement where id = new.reverses;
        if wrong.reverses is not null or (wrong.organisation_id, wrong.from_account, wrong.to_account, wrong.mass_kg, wrong.composition)
            is distinct from (new.organisation_id, new.to_account, new.from_account, new.mass_kg, new.composition) then
          raise exception 'a reversal mirrors an entry that is none: same mass and composition, accounts exchanged'
            using errcode = 'check_violation', constraint = 'movement_reversal_mirrors_its_entry';
        end if;
      end if;
      return new;
    end $$`.execute(db);
  await sql`create trigger movement_is_sound before insert on movement for each row execute function refuse_unsound()`.execute(db);
}

/** Balances and histories are written by the owner's functions alone: whoever serves has no right to touch them. */
async function keptByTheOwner(db: Kysely<unknown>): Promise<void> {
  await sql`alter function keep_balances() security definer set search_path = public, pg_temp`.execute(db);
  await sql`alter function keep_facts() security definer set search_path = public, pg_temp`.execute(db);
}
