import { sql, type Kysely } from 'kysely';

/**
 * The ledger. PostgreSQL itself holds its rules: entries are only ever added, a key is used once, an entry is reversed once, and a
 * balance is the sum of its entries: of the mass, and of each substance in it.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await movementTable(db);
  await balanceTables(db);
  await appendOnly(db);
  await balancesKept(db);
  await balancesProved(db);
}

async function movementTable(db: Kysely<unknown>): Promise<void> {
  await sql`
    create function sums_to_one(composition jsonb) returns boolean immutable language sql as $$
      select abs(sum(value::numeric) - 1) < 0.000001 and min(value::numeric) > 0 from jsonb_each_text(composition)
    $$`.execute(db);
  await sql`
    create table movement (
      id uuid primary key,
      organisation_id uuid not null references organisation,
      idempotency_key uuid not null,
      content_hash text not null,
      from_account uuid not null,
      to_account uuid not null constraint movement_leaves_its_account check (from_account <> to_account),
      mass_kg numeric(16, 9) not null constraint movement_moves_something check (mass_kg > 0),
      refrigerant text,
      composition jsonb not null constraint movement_composition_sums_to_one check (sums_to_one(composition)),
      known text not null constraint movement_says_how_it_is_known check (known in ('weighed', 'estimated', 'nameplate', 'corrected')),
      gross_before_kg numeric(16, 9),
      gross_after_kg numeric(16, 9),
      typed jsonb,
      note text,
      assessment jsonb,
      visit_id uuid,
      happened_at timestamptz not null,
      recorded_at timestamptz not null,
      recorded_by text not null constraint movement_names_its_author check (btrim(recorded_by) <> ''),
      sequence bigint generated always as identity,
      reverses uuid constraint movement_reversed_once unique references movement,
      constraint movement_key_used_once unique (organisation_id, idempotency_key),
      constraint movement_from_own_account foreign key (organisation_id, from_account) references account (organisation_id, id),
      constraint movement_to_own_account foreign key (organisation_id, to_account) references account (organisation_id, id)
    )`.execute(db);
  await sql`create index movement_by_source on movement (from_account, sequence)`.execute(db);
  await sql`create index movement_by_target on movement (to_account, sequence)`.execute(db);
}

async function balanceTables(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table balance (
      account_id uuid primary key,
      organisation_id uuid not null,
      mass_kg numeric(16, 9) not null,
      constraint balance_of_own_account foreign key (organisation_id, account_id) references account (organisation_id, id)
    )`.execute(db);
  await sql`
    create table balance_part (
      account_id uuid not null references balance,
      organisation_id uuid not null,
      substance text not null,
      mass_kg numeric(16, 9) not null,
      primary key (account_id, substance)
    )`.execute(db);
}

async function appendOnly(db: Kysely<unknown>): Promise<void> {
  await sql`
    create function refuse_change() returns trigger language plpgsql as $$
    begin
      raise exception '% is append-only: reverse a wrong entry by a new one', tg_table_name using errcode = 'restrict_violation';
    end $$`.execute(db);
  await sql`create trigger movement_append_only before update or delete on movement for each row execute function refuse_change()`.execute(
    db,
  );
  await sql`create trigger movement_never_emptied before truncate on movement for each statement execute function refuse_change()`.execute(
    db,
  );
  await sql`create trigger balance_never_emptied before truncate on balance for each statement execute function refuse_change()`.execute(
    db,
  );
  await sql`create trigger balance_part_never_emptied before truncate on balance_part for each statement execute function refuse_change()`.execute(
    db,
  );
}

/** Rows are touched in the order of their account, so that two bookings in opposite directions wait for each other and never deadlock. */
async function balancesKept(db: Kysely<unknown>): Promise<void> {
  await sql`
    create function keep_balances() returns trigger language plpgsql as $$
    begin
      insert into balance (account_id, organisation_id, mass_kg)
        select account_id, new.organisation_id, mass_kg
        from (values (new.from_account, -new.mass_kg), (new.to_account, new.mass_kg)) as change (account_id, mass_kg)
        order by account_id
        on conflict (account_id) do update set mass_kg = balance.mass_kg + excluded.mass_kg;
      insert into balance_part (account_id, organisation_id, substance, mass_kg)
        select account_id, new.organisation_id, key, sign * round(new.mass_kg * value::numeric, 9)
        from jsonb_each_text(new.composition), (values (new.from_account, -1), (new.to_account, 1)) as change (account_id, sign)
        order by account_id, key
        on conflict (account_id, substance) do update set mass_kg = balance_part.mass_kg + excluded.mass_kg;
      return null;
    end $$`.execute(db);
  await sql`create trigger movement_keeps_balances after insert on movement for each row execute function keep_balances()`.execute(db);
}

/** Checked when the transaction ends, whoever wrote the balance: a hand at the psql prompt is refused as well. */
async function balancesProved(db: Kysely<unknown>): Promise<void> {
  await sql`
    create function prove_balance() returns trigger language plpgsql as $$
    declare
      account uuid := coalesce(new.account_id, old.account_id);
      booked numeric;
      summed numeric;
    begin
      select coalesce(sum(mass_kg), 0) into booked from balance where account_id = account;
      select coalesce(sum(case to_account when account then mass_kg else -mass_kg end), 0) into summed
        from movement where from_account = account or to_account = account;
      if booked <> summed then
        raise exception 'the balance % kg of account % is not the sum % kg of its movements', booked, account, summed
          using errcode = 'integrity_constraint_violation', constraint = 'balance_is_the_sum_of_movements';
      end if;
      return null;
    end $$`.execute(db);
  await sql`
    create function prove_balance_part() returns trigger language plpgsql as $$
    declare
      account uuid := coalesce(new.account_id, old.account_id);
      part text := coalesce(new.substance, old.substance);
      booked numeric;
      summed numeric;
    begin
      select coalesce(sum(mass_kg), 0) into booked from balance_part where account_id = account and substance = part;
      select coalesce(sum((case to_account when account then 1 else -1 end) * round(mass_kg * (composition ->> part)::numeric, 9)), 0)
        into summed from movement where (from_account = account or to_account = account) and composition ? part;
      if booked <> summed then
        raise exception 'the balance % kg of % on account % is not the sum % kg of its movements', booked, part, account, summed
          using errcode = 'integrity_constraint_violation', constraint = 'balance_part_is_the_sum_of_movements';
      end if;
      return null;
    end $$`.execute(db);
  await sql`
    create constraint trigger balance_is_proved after insert or update or delete on balance
      deferrable initially deferred for each row execute function prove_balance()`.execute(db);
  await sql`
    create constraint trigger balance_part_is_proved after insert or update or delete on balance_part
      deferrable initially deferred for each row execute function prove_balance_part()`.execute(db);
}
