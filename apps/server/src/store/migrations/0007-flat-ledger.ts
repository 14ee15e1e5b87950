import { sql, type Kysely } from 'kysely';

/**
 * The ledger at the size of a million entries. A balance was proved by summing all entries of its account at each commit; now it can
 * only be changed by an entry, each by its own mass, and is the sum of them because nothing else ever touches it (decision 2).
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`drop trigger balance_is_proved on balance`.execute(db);
  await sql`drop trigger balance_part_is_proved on balance_part`.execute(db);
  await sql`drop function prove_balance()`.execute(db);
  await sql`drop function prove_balance_part()`.execute(db);
  await entriesCounted(db);
  await changedByEntriesAlone(db);
  await differencesShown(db);
  await readByTime(db);
}

/** How many entries an account has, kept beside its balance: counting them anew for each list grows with the ledger. */
async function entriesCounted(db: Kysely<unknown>): Promise<void> {
  await sql`alter table balance add column entries integer not null default 0`.execute(db);
  await sql`
    update balance set entries =
      (select count(*) from movement where from_account = account_id) + (select count(*) from movement where to_account = account_id)`.execute(
    db,
  );
  await sql`
    create or replace function keep_balances() returns trigger language plpgsql as $$
    begin
      insert into balance (account_id, organisation_id, mass_kg, entries)
        select account_id, new.organisation_id, mass_kg, 1
        from (values (new.from_account, -new.mass_kg), (new.to_account, new.mass_kg)) as change (account_id, mass_kg)
        order by account_id
        on conflict (account_id) do update
          set mass_kg = balance.mass_kg + excluded.mass_kg, entries = balance.entries + excluded.entries;
      insert into balance_part (account_id, organisation_id, substance, mass_kg)
        select account_id, new.organisation_id, key, sign * round(new.mass_kg * value::numeric, 9)
        from jsonb_each_text(new.composition), (values (new.from_account, -1), (new.to_account, 1)) as change (account_id, sign)
        order by account_id, key
        on conflict (account_id, substance) do update set mass_kg = balance_part.mass_kg + excluded.mass_kg;
      return null;
    end $$`.execute(db);
}

/** One level of triggers is the statement of a hand; the second is the entry that keeps its balances. */
async function changedByEntriesAlone(db: Kysely<unknown>): Promise<void> {
  await sql`
    create function refuse_hand() returns trigger language plpgsql as $$
    begin
      if pg_trigger_depth() < 2 then
        raise exception '% is the sum of the movements and changes with them alone: book an entry', tg_table_name
          using errcode = 'integrity_constraint_violation', constraint = 'balance_is_the_sum_of_movements';
      end if;
      return coalesce(new, old);
    end $$`.execute(db);
  for (const table of ['balance', 'balance_part'])
    await sql`
      create trigger ${sql.raw(`${table}_by_entries_alone`)} before insert or update or delete on ${sql.table(table)}
        for each row execute function refuse_hand()`.execute(db);
}

/** The whole proof, for whoever asks: accounts whose balance is not the sum of their entries. */
async function differencesShown(db: Kysely<unknown>): Promise<void> {
  await sql`
    create view balance_difference as
      with summed as (
        select account_id, sum(mass_kg) as mass_kg, count(*) as entries
        from (
          select from_account as account_id, -mass_kg as mass_kg from movement
          union all select to_account, mass_kg from movement
        ) as side group by account_id
      ), part as (
        select account_id, substance, sum(mass_kg) as mass_kg
        from (
          select from_account as account_id, key as substance, -round(mass_kg * value::numeric, 9) as mass_kg
            from movement, jsonb_each_text(composition)
          union all select to_account, key, round(mass_kg * value::numeric, 9) from movement, jsonb_each_text(composition)
        ) as side group by account_id, substance
      )
      select coalesce(balance.account_id, summed.account_id) as account_id, null as substance,
          balance.mass_kg as booked_kg, summed.mass_kg as summed_kg
        from balance full join summed using (account_id)
        where balance.mass_kg is distinct from summed.mass_kg or balance.entries is distinct from summed.entries
      union all
      select coalesce(balance_part.account_id, part.account_id), coalesce(balance_part.substance, part.substance),
          balance_part.mass_kg, part.mass_kg
        from balance_part full join part using (account_id, substance)
        where balance_part.mass_kg is distinct from part.mass_kg`.execute(db);
}

/** The entries of one account are read newest first, as those of all are. */
async function readByTime(db: Kysely<unknown>): Promise<void> {
  await sql`drop index movement_by_source`.execute(db);
  await sql`drop index movement_by_target`.execute(db);
  await sql`create index movement_by_source on movement (from_account, happened_at desc, sequence desc)`.execute(db);
  await sql`create index movement_by_target on movement (to_account, happened_at desc, sequence desc)`.execute(db);
}
