// @ts-check
import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { buildServer } from '../lib/build.mjs';
import { DATABASE, urlOf } from '../lib/cluster.mjs';
import { asOwner, ensureDatabase } from '../lib/databases.mjs';
import { at } from '../lib/paths.mjs';
import { freePort } from '../lib/ports.mjs';
import { prepareDatabase, spawnServer, untilServing } from '../lib/server-process.mjs';
import { ask, inTurns } from './load.mjs';

const STEP_KG = 0.01;
const R410A = { 'R-32': 0.5, 'R-125': 0.5 };

/** The rows of the list and nothing else: what any list of them has to read. */
const LIST_QUERY = `select cylinder.*, account.name, balance.mass_kg, balance.last_moved_at,
  (select jsonb_object_agg(substance, part.mass_kg) from balance_part part where part.account_id = account.id) as parts
  from cylinder join account on account.id = cylinder.id left join balance on balance.account_id = account.id order by account.name`;

/**
 * Bookings and lists as they are served, beside what Hono and pg alone do with the same database. What counts are the ratios.
 * @param {import('../lib/cluster.mjs').Settings} settings @param {string} dataFolder
 */
export async function benchService(settings, dataFolder) {
  await buildServer();
  await ensureDatabase(settings);
  await prepareDatabase(urlOf(settings, 'owner'));
  await asOwner(settings, DATABASE, 'create table bench_entry (id uuid primary key, from_account uuid, to_account uuid, mass_kg numeric(16,9), composition jsonb, recorded_by text)'); // prettier-ignore
  const [port, barePort] = [await freePort(), await freePort()];
  const server = spawnServer(urlOf(settings, 'app'), port, dataFolder);
  const bare = spawn(process.execPath, [at('scripts/bench/bare-server.mjs')], {
    env: { ...process.env, DATABASE_URL: urlOf(settings, 'owner'), PORT: String(barePort), LIST_QUERY },
    stdio: ['pipe', 'inherit', 'inherit'],
  });
  try {
    await untilServing(port, server);
    await measure(`http://127.0.0.1:${port}`, `http://127.0.0.1:${barePort}`, settings);
  } finally {
    const ended = Promise.all([once(server, 'exit'), once(bare, 'exit')]);
    server.stdin?.end();
    bare.stdin.end();
    await ended;
  }
}

/** @param {string} url @param {string} bareUrl @param {import('../lib/cluster.mjs').Settings} settings */
async function measure(url, bareUrl, settings) {
  const [{ id: organisation } = { id: '' }] = await asOwner(settings, DATABASE, 'select id from organisation');
  const accounts = JSON.parse(await ask(`${url}/api/accounts`));
  const supplier = accounts.find((/** @type {{ kind: string }} */ { kind }) => kind === 'supplier').id;
  const cylinders = await Promise.all(Array.from({ length: 50 }, () => register(url)));
  const grams = cylinders.map(() => 0);
  const book = async (/** @type {number} */ writer) => {
    const cylinder = cylinders[writer];
    const before = cylinder.tareKg + (grams[writer] ?? 0) * STEP_KG;
    grams[writer] = (grams[writer] ?? 0) + 1;
    await ask(`${url}/api/transfers`, {
      key: randomUUID(),
      from: supplier,
      cylinder: cylinder.id,
      refrigerant: 'R-410A',
      grossBeforeKg: Number(before.toFixed(3)),
      grossAfterKg: Number((before + STEP_KG).toFixed(3)),
      happenedAt: new Date().toISOString(),
      recordedBy: 'bench',
    });
  };
  const insert = (/** @type {'plain' | 'guarded'} */ how) => async (/** @type {number} */ writer) => {
    const entry = { organisation, from: supplier, to: cylinders[writer].id, massKg: 1e-6, composition: R410A };
    await ask(`${bareUrl}/${how}`, entry);
  };
  const { one, ten, fifty, plainOne, plain, plainFifty, guarded } = await inTurns({
    one: { writers: 1, once: book },
    plainOne: { writers: 1, once: insert('plain') },
    ten: { writers: 10, once: book },
    plain: { writers: 10, once: insert('plain') },
    guarded: { writers: 10, once: insert('guarded') },
    fifty: { writers: 50, once: book },
    plainFifty: { writers: 50, once: insert('plain') },
  });
  row('bookings, 1 writer', one);
  row('bookings, 10 writers', ten);
  row('bookings, 50 writers', fifty);
  row('a bare insert in one transaction, 10', plain);
  row('the same into the guarded ledger, 10', guarded);
  row('a bare insert in one transaction, 50', plainFifty);
  say(
    `bookings / bare insert: ${share(ten, plain)}, of fifty writers ${share(fifty, plainFifty)}; / into the guarded ledger: ${share(ten, guarded)}`,
  );
  say(
    `p95 of 50 writers / p95 of one: ${(fifty.p95 / one.p95).toFixed(1)}; of the bare insert: ${(plainFifty.p95 / plainOne.p95).toFixed(1)}`,
  );
  const { list, bareList } = await inTurns({
    list: { writers: 10, once: async () => void (await ask(`${url}/api/cylinders`)) },
    bareList: { writers: 10, once: async () => void (await ask(`${bareUrl}/list`)) },
  });
  row(`GET /api/cylinders, 10`, list);
  row('the same query served bare, 10', bareList);
  say(`list / bare: ${share(list, bareList)}`);
}

/** @param {{ perSecond: number }} ours @param {{ perSecond: number }} theirs */
const share = (ours, theirs) => `${((100 * ours.perSecond) / theirs.perSecond).toFixed(0)} %`;

/** @param {string} text */
const say = (text) => void process.stdout.write(`${text}\n`);

/** @param {string} name @param {{ perSecond: number, p50: number, p95: number }} result */
const row = (name, { perSecond, p50, p95 }) =>
  say(`${name.padEnd(44)}${perSecond.toFixed(0).padStart(7)} /s${p50.toFixed(1).padStart(9)} ms p50${p95.toFixed(1).padStart(9)} ms p95`);

/** @param {string} url */
async function register(url) {
  const collar = { volumeM3: 0.0477, tareKg: 12, servicePressurePa: 2.8e6, requalified: '2026-05', place: 'van' };
  return JSON.parse(await ask(`${url}/api/cylinders`, { key: randomUUID(), name: `B-${randomUUID().slice(0, 8)}`, ...collar }));
}
