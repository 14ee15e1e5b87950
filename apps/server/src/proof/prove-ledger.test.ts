import pg from 'pg';
import { openHouse, transferOf, type House } from '../../test/house';
import { connect, type Db } from '../store/database';
import { proveLedger } from './prove-ledger';
import { sealWhatWaits } from './seal-in-background';

let house: House;
let reader: Db;
let owner: pg.Client;
beforeEach(async () => {
  house = await openHouse();
  reader = connect(house.urlOf('reader'), () => undefined);
  owner = new pg.Client({ connectionString: house.urlOf('owner') });
  await owner.connect();
  await sealWhatWaits(house.db);
});
afterEach(async () => {
  await owner.end();
  await reader.destroy();
  await house.close();
});

/** The owner behind all rules. */
const tamper = async (...statements: string[]) => {
  for (const table of ['movement', 'balance', 'balance_part', 'movement_seal', 'cylinder', 'account', 'register_history'])
    await owner.query(`alter table ${table} disable trigger user`);
  for (const statement of statements) await owner.query(statement);
};
const faults = async () => (await proveLedger(reader)).faults;

test('the ledger of the demo is proved, and its seal grows with what is booked', async () => {
  const first = await proveLedger(reader);
  expect(first.faults).toEqual([]);
  expect([first.entries > 10n, first.waiting, first.seal.entries]).toEqual([true, 0, first.entries]);
  await house.send('POST', '/api/transfers', await transferOf(house, 0.1));
  const waits = await proveLedger(reader);
  expect([waits.faults, waits.waiting, waits.seal]).toEqual([[], 1, first.seal]);
  await sealWhatWaits(house.db);
  const second = await proveLedger(reader, first.seal);
  expect([second.faults, second.seal.entries]).toEqual([[], first.entries + 1n]);
  expect(second.seal.hash).not.toBe(first.seal.hash);
});

const one = '(select id from movement where reverses is null order by sequence offset 3 limit 1)';
test.each([
  ['a mass that was changed', [`update movement set mass_kg = mass_kg + 1 where id = ${one}`], /is not what was sealed/],
  ['a note that was changed', [`update movement set note = 'as agreed' where id = ${one}`], /is not what was sealed/],
  [
    'an entry that was taken out with its seal',
    [`delete from movement_seal where movement_id = ${one}`, `delete from movement where id = ${one}`],
    /entries are missing/,
  ],
  ['an entry put in behind the queue', ['insert into movement select * from gone', 'delete from movement_unsealed'], /waits for none/],
  ['a balance that was changed', [`update balance set mass_kg = mass_kg + 1 where entries > 0`], /the balance says .* its entries come to/],
  ['a balance that is no number', [`update balance set mass_kg = 'NaN' where entries > 0`], /which is no number/],
  ['a mass that is no number', [`update movement set mass_kg = 'NaN' where id = ${one}`], /"NaN" is no number/],
  ['a part that was changed', [`update balance_part set mass_kg = 0`], /R-/],
  ['a tare that was changed', [`update cylinder set tare_kg = tare_kg + 1`], /was changed beside its history/],
])('the proof finds %s', async (_, statements, sentence) => {
  await owner.query('alter table movement drop constraint movement_holds_numbers');
  await owner.query('alter table balance drop constraint balance_holds_numbers');
  await owner.query(
    `create table gone as select gen_random_uuid() as id, organisation_id, gen_random_uuid() as idempotency_key, content_hash, from_account,
       to_account, mass_kg, refrigerant, composition, known, gross_before_kg, gross_after_kg, typed, note, assessment, visit_id, happened_at,
       recorded_at, recorded_by from movement limit 1`,
  );
  const listed = statements.map((statement) =>
    statement.replace('select * from gone', 'select id, organisation_id, idempotency_key, content_hash, from_account, to_account, mass_kg, refrigerant, composition, known, gross_before_kg, gross_after_kg, typed, note, assessment, visit_id, happened_at, recorded_at, recorded_by from gone').replace('insert into movement ', 'insert into movement (id, organisation_id, idempotency_key, content_hash, from_account, to_account, mass_kg, refrigerant, composition, known, gross_before_kg, gross_after_kg, typed, note, assessment, visit_id, happened_at, recorded_at, recorded_by) '),
  ); // prettier-ignore
  expect(await faults()).toEqual([]);
  await tamper(...listed);
  expect((await faults()).join('\n')).toMatch(sentence);
});

test('an owner who seals everything anew is found by a seal that was kept elsewhere', async () => {
  const { seal } = await proveLedger(reader);
  await tamper(
    `update movement set note = 'as agreed' where id = ${one}`,
    'delete from movement_seal',
    'insert into movement_unsealed select id from movement',
    'select seal_movements(100000)',
  );
  expect(await faults()).toEqual([]); // in itself it is sound again
  expect((await proveLedger(reader, seal)).faults).toEqual([expect.stringMatching(/one of them was changed since/)]);
  expect((await proveLedger(reader, { ...seal, entries: seal.entries + 1n })).faults).toEqual([expect.stringMatching(/some are gone/)]);
});
