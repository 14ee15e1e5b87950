import { sql } from 'kysely';
import { newDatabase } from '../../../test/house';
import { connect, type Db } from '../database';
import { migrate, migrateTo } from '../migrate';

const FIRM = '00000000-0000-4000-8000-000000000001';
const KEY = (n: number) => `00000000-0000-4000-8000-0000000001${String(n).padStart(2, '0')}`;
const [SUPPLIER, SYSTEM, VISIT, CYLINDER, SHIPMENT, PRICE] = [10, 11, 12, 13, 14, 15].map(KEY);

/** What a firm had on record before there was one table: everything that is sent, each under a key of its own. */
async function before(db: Db): Promise<void> {
  const run = (text: string) => sql.raw(text).execute(db);
  await run(`insert into organisation (id, name, altitude_m, required_rules, liquid_share_at_131f, hottest_k, changed_by)
    values ('${FIRM}', 'Saltmarsh Refrigeration', 0, '{us-cfr}', 0.95, 328.15, 'hand')`);
  await run(`insert into substance (id) values ('R-32')`);
  await run(`insert into account (id, organisation_id, kind, name) values
    ('${SUPPLIER}', '${FIRM}', 'supplier', 'Supplier'), ('${SYSTEM}', '${FIRM}', 'system', 'Mill, cold room'), ('${CYLINDER}', '${FIRM}', 'cylinder', 'K-1')`);
  await run(`insert into system (id, organisation_id, registration_key, site, name, kind, refrigerant, nameplate_kg, changed_by)
    values ('${SYSTEM}', '${FIRM}', gen_random_uuid(), 'Mill', 'cold room', 'split', 'R-32', 1, 'hand')`);
  await run(`insert into cylinder (id, organisation_id, registration_key, volume_m3, tare_kg, service_pressure_pa, requalified, place)
    values ('${CYLINDER}', '${FIRM}', gen_random_uuid(), 0.0119, 7.8, 2760000, '2024-11', 'workshop')`);
  const entry = (key: string, hash: string, from: string, to: string, gross: string) => `insert into movement
    (id, organisation_id, idempotency_key, content_hash, from_account, to_account, mass_kg, refrigerant, composition, known, gross_before_kg, gross_after_kg, happened_at, recorded_at, recorded_by)
    values (gen_random_uuid(), '${FIRM}', '${key}', '${hash}', '${from}', '${to}', 1, 'R-32', '{"R-32": 1}', 'weighed', ${gross}, now(), now(), 'hand')`;
  await run(entry(KEY(1), 'of-a-transfer', SUPPLIER!, CYLINDER!, '7.8, 8.8'));
  await run(entry(KEY(2), 'of-a-weighing', SUPPLIER!, CYLINDER!, 'null, 9.8'));
  await run(`insert into visit (id, organisation_id, opening_key, system_id, day, record)
    values ('${VISIT}', '${FIRM}', '${KEY(3)}', '${SYSTEM}', '2026-11-20', '{}')`);
  const event = (key: string, sequence: number, kind: string) => `insert into visit_event
    (organisation_id, visit_id, event_key, sequence, kind, body, content_hash, happened_at, recorded_by)
    values ('${FIRM}', '${VISIT}', '${key}', ${sequence}, '${kind}', '{}', 'of-${kind}', now(), 'hand')`;
  await run(event(KEY(3), 1, 'opened'));
  await run(event(KEY(4), 2, 'marked'));
  await run(`insert into shipment (id, organisation_id, shipment_key, content_hash, to_name, carrier, day, lines, happened_at, recorded_by)
    values ('${SHIPMENT}', '${FIRM}', '${KEY(5)}', 'of-a-shipment', 'Reclaimer', '', '2026-11-20', '[]', now(), 'hand')`);
  await run(`insert into shipment_receipt (shipment_id, organisation_id, receipt_key, content_hash, body, happened_at, recorded_by)
    values ('${SHIPMENT}', '${FIRM}', '${KEY(6)}', 'of-a-receipt', '{}', now(), 'hand')`);
  await run(`insert into price (id, organisation_id, price_key, content_hash, refrigerant, kind, per_kg, currency, valid_from, recorded_by)
    values ('${PRICE}', '${FIRM}', '${KEY(7)}', 'of-a-price', 'R-32', 'buy', 9, 'USD', '2026-11-20', 'hand')`);
  await run(`insert into cylinder_event (id, organisation_id, cylinder_id, event_key, what, detail, happened_at, recorded_at, recorded_by)
    values ('${KEY(16)}', '${FIRM}', '${CYLINDER}', '${KEY(8)}', 'moved', '{}', now(), now(), 'hand')`);
}

test('what was sent before stands in the one table: what it was, its hash, and what came of it', async () => {
  const db = connect((await newDatabase())('owner'), () => undefined);
  await migrateTo(db, '0027-charge-notes');
  await before(db);
  await migrate(db);
  const kept = await db.selectFrom('sent_once').select(['key', 'kind', 'content_hash', 'answer']).orderBy('key').execute();
  const entries = await db.selectFrom('movement').select(['id', 'idempotency_key']).orderBy('idempotency_key').execute();
  expect(kept).toEqual([
    { key: KEY(1), kind: 'booking', content_hash: 'of-a-transfer', answer: entries[0]?.id },
    // its reading was compared, not all that was said: it is taken as it stands
    { key: KEY(2), kind: 'booking', content_hash: '', answer: entries[1]?.id },
    { key: KEY(3), kind: 'visit', content_hash: 'of-opened', answer: VISIT },
    { key: KEY(4), kind: 'visit-event', content_hash: 'of-marked', answer: VISIT },
    { key: KEY(5), kind: 'shipment', content_hash: 'of-a-shipment', answer: SHIPMENT },
    { key: KEY(6), kind: 'receipt', content_hash: 'of-a-receipt', answer: SHIPMENT },
    { key: KEY(7), kind: 'price', content_hash: 'of-a-price', answer: PRICE },
    { key: KEY(8), kind: 'cylinder-move', content_hash: '', answer: KEY(16) },
  ]);
  await db.destroy();
});
