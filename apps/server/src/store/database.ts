import type { Cylinder, CylinderMarks } from '@hygromet/contract/cylinder';
import type { Instrument } from '@hygromet/contract/instrument';
import type { ScaleTarget } from '@hygromet/contract/movement';
import type { Objection } from '@hygromet/core/cylinder/objection';
import type { Receipt, ShippedLine } from '@hygromet/contract/shipment';
import type { SystemFacts } from '@hygromet/contract/system';
import type { VisitRecord } from '@hygromet/contract/visit-record';
import { Kysely, PostgresDialect, type ColumnType, type Generated, type Transaction, type InsertType, type SelectType } from 'kysely';
import pg from 'pg';
import { PreparedClient } from './prepared-client';

/** PostgreSQL's exact decimal: text when it is read, a number or text when it is written. */
type Numeric = ColumnType<string, number | string, number | string>;
type Instant = ColumnType<Date, Date | string, Date | string>;
type Json<T> = ColumnType<T, string, string>;
type Vacuum = NonNullable<Cylinder['vacuum']>;
export type TypedText = { text: string; unit: string };

interface OrganisationTable {
  id: string;
  name: string;
  altitude_m: Numeric;
  required_rules: string[];
  liquid_share_at_131f: Numeric;
  hottest_k: Numeric;
  part_share: Numeric;
  end_of_pump_down: string;
  readings_kept_days: Generated<number>;
  people: Generated<string[]>;
  demo: Generated<boolean>;
  created_at: Generated<Date>;
  version: Generated<number>;
  changed_at: ColumnType<Date | null, Date | undefined, Date>;
  changed_by: ColumnType<string | null, string | undefined, string>;
}

interface AccountTable {
  id: string;
  organisation_id: string;
  kind: string;
  name: string;
}

interface SystemTable {
  id: string;
  organisation_id: string;
  registration_key: string;
  site: string;
  name: string;
  kind: string;
  refrigerant: string;
  nameplate_kg: Numeric;
  nameplate_typed: Json<TypedText | null> | null;
  facts: ColumnType<SystemFacts, string | undefined, string>;
  version: Generated<number>;
  changed_at: ColumnType<Date | null, Date | string | undefined, Date | string>;
  changed_by: ColumnType<string | null, string | undefined, string>;
}

interface VisitTable {
  id: string;
  organisation_id: string;
  opening_key: string;
  system_id: string;
  day: ColumnType<Date, string, string>;
  state: Generated<string>;
  /** What its events make of it. */
  record: Json<VisitRecord>;
  version: Generated<number>;
}

interface VisitEventTable {
  organisation_id: string;
  visit_id: string;
  event_key: string;
  sequence: number;
  kind: string;
  body: Json<Record<string, unknown>>;
  happened_at: Instant;
  recorded_at: Instant;
  recorded_by: string;
}

/** Written by the database alone. */
interface SystemFactsHistoryTable {
  organisation_id: string;
  system_id: string;
  version: number;
  facts: SystemFacts;
  changed_at: Date;
  changed_by: string;
}

interface CylinderTable {
  id: string;
  organisation_id: string;
  registration_key: string;
  volume_m3: Numeric;
  volume_typed: Json<TypedText | null> | null;
  tare_kg: Numeric;
  tare_typed: Json<TypedText | null> | null;
  service_pressure_pa: Numeric;
  service_typed: Json<TypedText | null> | null;
  requalified: string;
  place: string;
  refrigerant: string | null;
  evacuated_at: ColumnType<Date | null, Date | string | null, Date | string | null>;
  marks: ColumnType<CylinderMarks, string | undefined, string>;
  vacuum: ColumnType<Vacuum | null, string | null | undefined, string | null>;
  tare_weighed_kg: ColumnType<string | null, number | null | undefined, number | null>;
  air_share: ColumnType<string | null, number | null | undefined, number | null>;
  retired_at: ColumnType<Date | null, Date | null | undefined, Date | null>;
  weighed_in_at: ColumnType<Date | null, Date | null | undefined, Date | null>;
}

interface CylinderEventTable {
  id: string;
  organisation_id: string;
  cylinder_id: string;
  event_key: string;
  what: string;
  detail: Json<Record<string, unknown>>;
  happened_at: Instant;
  recorded_at: Instant;
  recorded_by: string;
  note: string | null;
  sequence: Generated<string>;
}

/** A table to which is only ever added: a query that changes a row of it does not compile, as PostgreSQL would not run it. */
type AppendOnly<T> = {
  [K in keyof T]: ColumnType<SelectType<T[K]>, InsertType<T[K]>, never>;
};

interface SentOnceTable {
  organisation_id: string;
  key: string;
  kind: string;
  content_hash: string;
  answer: string;
}

interface MovementTable {
  id: string;
  organisation_id: string;
  idempotency_key: string;
  content_hash: string;
  from_account: string;
  to_account: string;
  mass_kg: Numeric;
  refrigerant: string | null;
  composition: Json<Record<string, number>>;
  known: string;
  gross_before_kg: Numeric | null;
  gross_after_kg: Numeric | null;
  typed: Json<Record<string, TypedText> | null> | null;
  note: string | null;
  assessment: Json<unknown> | null;
  target: Json<ScaleTarget | null> | null;
  against: Json<Objection[] | null> | null;
  visit_id: string | null;
  happened_at: Instant;
  recorded_at: Instant;
  recorded_by: string;
  sequence: Generated<string>;
  reverses: string | null;
  /** Refrigerant, person and note, put together by the database to be searched. */
  words: ColumnType<string, never, never>;
}

interface ShipmentTable {
  id: string;
  organisation_id: string;
  shipment_key: string;
  to_name: string;
  carrier: string;
  day: ColumnType<Date, string, string>;
  lines: Json<ShippedLine[]>;
  happened_at: Instant;
  recorded_at: Generated<Date>;
  recorded_by: string;
}

interface ShipmentReceiptTable {
  shipment_id: string;
  organisation_id: string;
  receipt_key: string;
  body: Json<Omit<Receipt, 'happenedAt' | 'recordedAt' | 'recordedBy'>>;
  happened_at: Instant;
  recorded_at: Generated<Date>;
  recorded_by: string;
}

interface PriceTable {
  id: string;
  organisation_id: string;
  price_key: string;
  refrigerant: string;
  kind: string;
  per_kg: Numeric;
  currency: string;
  valid_from: ColumnType<Date, string, string>;
  sequence: Generated<string>;
  recorded_at: Generated<Date>;
  recorded_by: string;
}

interface GatewayTable {
  id: string;
  organisation_id: string;
  name: string;
  token_hash: string;
  added_at: Generated<Date>;
  added_by: string;
  revoked_at: ColumnType<Date | null, undefined, Date>;
}

interface InstrumentTable {
  organisation_id: string;
  id: string;
  gateway_id: string;
  facts: Json<Instrument['facts']>;
  heard_at: Instant;
}

interface ReadingTable {
  organisation_id: string;
  instrument: string;
  quantity: string;
  measured_at: Instant;
  value: number;
  received_at: Generated<Date>;
  sequence: Generated<string>;
}

interface BalanceTable {
  account_id: string;
  organisation_id: string;
  mass_kg: Numeric;
  entries: number;
  last_moved_at: Date | null;
}

interface BalancePartTable {
  account_id: string;
  organisation_id: string;
  mass_kg: Numeric;
  substance: string;
}

/** Written by the database alone: every state of an account, a cylinder and the settings. */
interface RegisterHistoryTable {
  organisation_id: string;
  register: string;
  id: string;
  version: number;
  state: Record<string, unknown>;
  changed_at: Date;
  changed_by: string;
}

/** Written by the database alone: the chain of hashes over the entries, in the order in which they were sealed. */
interface MovementSealTable {
  position: string;
  movement_id: string;
  hash: Buffer;
}

/** A view: where a balance is not the sum of its entries. */
interface BalanceDifferenceTable {
  account_id: string;
  substance: string | null;
  booked_kg: string | null;
  summed_kg: string | null;
}

interface PhotographTable {
  id: string;
  organisation_id: string;
  jpeg: Buffer;
  added_at: Instant;
  added_by: string;
}

export interface Tables {
  organisation: OrganisationTable;
  account: AccountTable;
  system: SystemTable;
  cylinder: CylinderTable;
  cylinder_event: AppendOnly<CylinderEventTable>;
  visit: VisitTable;
  visit_event: AppendOnly<VisitEventTable>;
  system_facts_history: AppendOnly<SystemFactsHistoryTable>;
  movement: AppendOnly<MovementTable>;
  shipment: AppendOnly<ShipmentTable>;
  shipment_receipt: AppendOnly<ShipmentReceiptTable>;
  price: AppendOnly<PriceTable>;
  sent_once: AppendOnly<SentOnceTable>;
  photograph: AppendOnly<PhotographTable>;
  gateway: GatewayTable;
  instrument: InstrumentTable;
  reading: ReadingTable;
  balance: BalanceTable;
  balance_part: BalancePartTable;
  balance_difference: BalanceDifferenceTable;
  register_history: RegisterHistoryTable;
  movement_seal: AppendOnly<MovementSealTable>;
  kysely_migration: { name: string; timestamp: string };
}

export type Db = Kysely<Tables>;
/** A transaction that is open: what locks, or must stand or fall together, asks for one. */
export type Tx = Transaction<Tables>;
/** What runs a query: the pool or an open transaction. */
export type Executor = Db | Tx;

/** Milliseconds that a connection may take for one thing. */
type Patience = Partial<Record<'statement_timeout' | 'lock_timeout' | 'idle_in_transaction_session_timeout', number>>;

/** Nobody waits for longer at a page: a statement, a lock, a transaction that is left open. */
const OF_A_PERSON: Patience = { statement_timeout: 60_000, lock_timeout: 15_000, idle_in_transaction_session_timeout: 60_000 };
/** A migration of a large ledger takes as long as it takes. */
export const WITHOUT_END: Patience = {};

/** A pool of connections. A connection that breaks is dropped and made anew by the next query. */
export function connect(url: string, onIdleError: (error: Error) => void, patience: Patience = OF_A_PERSON): Db {
  const pool = new pg.Pool({
    connectionString: url,
    max: 10,
    connectionTimeoutMillis: 5000,
    application_name: 'hygromet',
    Client: PreparedClient,
    ...patience,
  });
  pool.on('error', onIdleError);
  // also while it is checked out: between two queries of a transaction nobody else listens, and an error without a listener ends the process
  pool.on('connect', (client) => client.on('error', onIdleError));
  return new Kysely<Tables>({ dialect: new PostgresDialect({ pool }) });
}
