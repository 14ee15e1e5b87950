import { sql, type Kysely } from 'kysely';

/**
 * The seal of the ledger: a chain of hashes over its entries, so that a change by the owner of the database himself shows. An entry is booked
 * without waiting for the chain; it queues, and is sealed a moment later, in an order that is never changed (decision 11).
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`create table movement_unsealed (movement_id uuid primary key references movement)`.execute(db);
  await sql`
    create table movement_seal (
      position bigint primary key,
      movement_id uuid not null constraint movement_sealed_once unique references movement,
      hash bytea not null
    )`.execute(db);
  await sql`
    create trigger movement_seal_append_only before update or delete on movement_seal for each row execute function refuse_change()`.execute(
    db,
  );
  await sql`
    create trigger movement_seal_never_emptied before truncate on movement_seal for each statement execute function refuse_removal()`.execute(
    db,
  );
  await queued(db);
  await sealed(db);
}

async function queued(db: Kysely<unknown>): Promise<void> {
  await sql`
    create function queue_for_seal() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
    begin
      insert into movement_unsealed values (new.id);
      return null;
    end $$`.execute(db);
  await sql`create trigger movement_queued_for_seal after insert on movement for each row execute function queue_for_seal()`.execute(db);
  await sql`insert into movement_unsealed select id from movement`.execute(db);
}

/**
 * What is hashed of an entry: each field as its length in bytes, a colon and its text, a missing one as `-`. The proof writes the same text
 * itself, in another language (`domain/sealed-text.ts`).
 */
async function sealed(db: Kysely<unknown>): Promise<void> {
  await sql`
    create function sealed_text(it movement) returns text stable language sql as $$
      select string_agg(coalesce(octet_length(field) || ':' || field, '-'), '' order by place)
      from unnest(array[
        it.id::text, it.organisation_id::text, it.idempotency_key::text, it.content_hash, it.from_account::text, it.to_account::text,
        it.mass_kg::text, it.refrigerant, it.composition::text, it.known, it.gross_before_kg::text, it.gross_after_kg::text,
        it.typed::text, it.note, it.assessment::text, it.target::text, it.against::text, it.visit_id::text,
        (extract(epoch from it.happened_at) * 1000000)::bigint::text, (extract(epoch from it.recorded_at) * 1000000)::bigint::text,
        it.recorded_by, it.sequence::text, it.reverses::text
      ]) with ordinality as part (field, place)
    $$`.execute(db);
  await sql`
    create function seal_movements(at_most integer) returns integer language plpgsql security definer
      set search_path = public, pg_temp as $$
    declare
      it movement;
      last movement_seal;
      done integer := 0;
    begin
      perform pg_advisory_xact_lock(hashtext('seal_movements'));
      select * into last from movement_seal order by position desc limit 1;
      for it in
        select movement.* from movement join movement_unsealed on movement_id = movement.id order by sequence limit at_most
      loop
        last.position := coalesce(last.position, 0) + 1;
        last.movement_id := it.id;
        last.hash := sha256(coalesce(last.hash, '') || convert_to(sealed_text(it), 'UTF8'));
        insert into movement_seal values (last.position, last.movement_id, last.hash);
        delete from movement_unsealed where movement_id = it.id;
        done := done + 1;
      end loop;
      return done;
    end $$`.execute(db);
}
