import { sql, type Kysely } from 'kysely';

/**
 * Entries that are written in one statement change each balance once: from a supplier who fills twelve cylinders at a time, twelve masses are
 * summed before his balance is touched, instead of writing it anew twelve times.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await balancesKept(db);
  await queuedForSeal(db);
  await sealedTogether(db);
}

async function balancesKept(db: Kysely<unknown>): Promise<void> {
  await sql`drop trigger movement_keeps_balances on movement`.execute(db);
  await sql`
    create or replace function keep_balances() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
    begin
      insert into balance (account_id, organisation_id, mass_kg, entries, last_moved_at)
        select account_id, organisation_id, sum(change.mass_kg), count(*), max(happened_at)
        from entered, lateral (values (from_account, -entered.mass_kg), (to_account, entered.mass_kg)) as change (account_id, mass_kg)
        group by account_id, organisation_id
        order by account_id
        on conflict (account_id) do update
          set mass_kg = balance.mass_kg + excluded.mass_kg,
              entries = balance.entries + excluded.entries,
              last_moved_at = greatest(balance.last_moved_at, excluded.last_moved_at);
      insert into balance_part (account_id, organisation_id, substance, mass_kg)
        select account_id, organisation_id, key, sum(sign * round(mass_kg * value::numeric, 9))
        from entered, jsonb_each_text(composition), lateral (values (from_account, -1), (to_account, 1)) as change (account_id, sign)
        group by account_id, organisation_id, key
        order by account_id, key
        on conflict (account_id, substance) do update set mass_kg = balance_part.mass_kg + excluded.mass_kg;
      return null;
    end $$`.execute(db);
  await sql`
    create trigger movement_keeps_balances after insert on movement referencing new table as entered
      for each statement execute function keep_balances()`.execute(db);
}

async function queuedForSeal(db: Kysely<unknown>): Promise<void> {
  await sql`drop trigger movement_queued_for_seal on movement`.execute(db);
  await sql`
    create or replace function queue_for_seal() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
    begin
      insert into movement_unsealed select id from entered;
      return null;
    end $$`.execute(db);
  await sql`
    create trigger movement_queued_for_seal after insert on movement referencing new table as entered
      for each statement execute function queue_for_seal()`.execute(db);
}

/** The chain is computed entry by entry, as it must be, and written in one piece. */
async function sealedTogether(db: Kysely<unknown>): Promise<void> {
  await sql`
    create or replace function seal_movements(at_most integer) returns integer language plpgsql security definer
      set search_path = public, pg_temp as $$
    declare
      it movement;
      last movement_seal;
      before bigint;
      ids uuid[] := '{}';
      hashes bytea[] := '{}';
    begin
      perform pg_advisory_xact_lock(hashtext('seal_movements'));
      select * into last from movement_seal order by position desc limit 1;
      before := coalesce(last.position, 0);
      for it in
        select movement.* from movement join movement_unsealed on movement_id = movement.id order by sequence limit at_most
      loop
        last.hash := sha256(coalesce(last.hash, '') || convert_to(sealed_text(it), 'UTF8'));
        ids := ids || it.id;
        hashes := hashes || last.hash;
      end loop;
      insert into movement_seal
        select before + place, id, hash from unnest(ids, hashes) with ordinality as sealed (id, hash, place) order by place;
      delete from movement_unsealed where movement_id = any(ids);
      return cardinality(ids);
    end $$`.execute(db);
}
