import { sql, type Kysely } from 'kysely';

/** The organisation, and the accounts that every gram is on. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table organisation (
      id uuid primary key,
      name text not null constraint organisation_has_a_name check (btrim(name) <> ''),
      altitude_m numeric(7, 1) not null constraint organisation_stands_on_earth check (altitude_m between -450 and 9000),
      required_rules text[] not null constraint organisation_requires_a_rule check (cardinality(required_rules) > 0),
      liquid_share_at_131f numeric(4, 3) not null constraint liquid_share_leaves_sense check (liquid_share_at_131f between 0.5 and 1),
      hottest_k numeric(6, 2) not null,
      created_at timestamptz not null default now()
    )`.execute(db);

  await sql`
    create table account (
      id uuid primary key,
      organisation_id uuid not null references organisation,
      kind text not null constraint account_kind_is_known
        check (kind in ('system', 'cylinder', 'hoses', 'supplier', 'reclaimer', 'air', 'unexplained')),
      name text not null constraint account_has_a_name check (btrim(name) <> ''),
      constraint account_belongs_to_one_organisation unique (organisation_id, id),
      constraint account_name_is_taken unique (organisation_id, kind, name)
    )`.execute(db);

  await sql`
    create table system (
      id uuid primary key,
      organisation_id uuid not null,
      registration_key uuid not null,
      site text not null,
      name text not null,
      kind text not null,
      refrigerant text not null,
      nameplate_kg numeric(16, 9) not null constraint system_has_a_charge check (nameplate_kg > 0),
      nameplate_typed jsonb,
      constraint system_is_an_account foreign key (organisation_id, id) references account (organisation_id, id),
      constraint system_registered_once unique (organisation_id, registration_key)
    )`.execute(db);

  await sql`
    create table cylinder (
      id uuid primary key,
      organisation_id uuid not null,
      registration_key uuid not null,
      volume_m3 numeric(12, 9) not null constraint cylinder_has_a_volume check (volume_m3 > 0),
      volume_typed jsonb,
      tare_kg numeric(16, 9) not null constraint cylinder_has_a_tare check (tare_kg > 0),
      tare_typed jsonb,
      service_pressure_pa numeric(12, 1) not null constraint cylinder_has_a_rating check (service_pressure_pa > 0),
      service_typed jsonb,
      requalified text not null constraint cylinder_stamp_is_a_month check (requalified ~ '^[0-9]{4}-(0[1-9]|1[0-2])$'),
      place text not null,
      refrigerant text,
      evacuated_at timestamptz,
      constraint cylinder_is_an_account foreign key (organisation_id, id) references account (organisation_id, id),
      constraint cylinder_registered_once unique (organisation_id, registration_key)
    )`.execute(db);
}
