import { sql, type Kysely } from 'kysely';

/** When something last went in or out of an account, kept beside its balance: a list of cylinders need not look into the ledger for it. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table balance add column last_moved_at timestamptz`.execute(db);
  await sql`alter table balance disable trigger balance_by_entries_alone`.execute(db);
  await sql`
    update balance set last_moved_at = greatest(
      (select max(happened_at) from movement where from_account = account_id),
      (select max(happened_at) from movement where to_account = account_id)
    )`.execute(db);
  await sql`alter table balance enable trigger balance_by_entries_alone`.execute(db);
  await sql`
    create or replace function keep_balances() returns trigger language plpgsql as $$
    begin
      insert into balance (account_id, organisation_id, mass_kg, entries, last_moved_at)
        select account_id, new.organisation_id, mass_kg, 1, new.happened_at
        from (values (new.from_account, -new.mass_kg), (new.to_account, new.mass_kg)) as change (account_id, mass_kg)
        order by account_id
        on conflict (account_id) do update
          set mass_kg = balance.mass_kg + excluded.mass_kg,
              entries = balance.entries + excluded.entries,
              last_moved_at = greatest(balance.last_moved_at, excluded.last_moved_at);
      insert into balance_part (account_id, organisation_id, substance, mass_kg)
        select account_id, new.organisation_id, key, sign * round(new.mass_kg * value::numeric, 9)
        from jsonb_each_text(new.composition), (values (new.from_account, -1), (new.to_account, 1)) as change (account_id, sign)
        order by account_id, key
        on conflict (account_id, substance) do update set mass_kg = balance_part.mass_kg + excluded.mass_kg;
      return null;
    end $$`.execute(db);
}
