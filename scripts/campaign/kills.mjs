// @ts-check
import { setTimeout as sleep } from 'node:timers/promises';
import { openHouse } from './house.mjs';
import { targets } from './processes.mjs';
import { read, startWriters } from './writers.mjs';

const WRITERS = 8;
/** Longest wait for the first booking after a kill: past it a hand is needed. */
const NEEDS_A_HAND_MS = 60_000;

/**
 * Kills with SIGKILL while people book, one kind after the other; then looks every acknowledged booking up.
 * @param {{ kills: number, port: number, tell: (line: string) => void }} options
 */
export async function killCampaign({ kills, port, tell }) {
  const house = await openHouse(port);
  try {
    const writers = await startWriters(house.url, WRITERS);
    await untilBooked(writers, performance.now());
    const outages = await killed(house, writers, kills, tell);
    await writers.stop();
    return { kills, outages, acknowledged: writers.acknowledged.length, refused: writers.refused, ...(await lookedUp(house.url, writers)) };
  } finally {
    await house.close();
  }
}

/** @typedef {Awaited<ReturnType<typeof startWriters>>} Writers */

/** @param {import('./house.mjs').House} house @param {Writers} writers @param {number} kills @param {(line: string) => void} tell */
async function killed(house, writers, kills, tell) {
  /** @type {{ what: string, ms: number }[]} */
  const outages = [];
  const kinds = Object.entries(targets(house));
  for (let number = 0; number < kills; number++) {
    const [what, pids] = kinds[number % kinds.length] ?? ['nothing', () => []];
    const found = pids();
    for (const pid of found) kill(pid);
    const at = performance.now();
    const ms = await untilBooked(writers, at);
    if (ms === undefined || !house.alive()) throw new Error(`after the kill of ${what} a hand is needed:\n${house.said().slice(-3000)}`);
    outages.push({ what, ms });
    tell(`${number + 1} of ${kills}: ${what} (${found.length}), ${Math.round(ms)} ms`);
    await sleep(500 + 1000 * Math.random());
  }
  return outages;
}

/** @param {number} pid */
function kill(pid) {
  try {
    process.kill(pid, 'SIGKILL');
  } catch {
    // it was gone before
  }
}

/**
 * How long after a moment the first booking was acknowledged that was sent after it was all over; the last gap before counts.
 * @param {Writers} writers @param {number} at @returns {Promise<number | undefined>}
 */
async function untilBooked({ acknowledged }, at) {
  const before = acknowledged.length;
  for (;;) {
    const since = performance.now() - at;
    if (since > NEEDS_A_HAND_MS) return undefined;
    // what was under way when it was killed may still be answered: the service is back once every writer could have booked anew
    if (acknowledged.length > before + 2 * WRITERS) return longestGap(acknowledged.slice(before).map((one) => one.at), at); // prettier-ignore
    await sleep(5);
  }
}

/** @param {number[]} times @param {number} from */
function longestGap(times, from) {
  let [last, longest] = [from, 0];
  for (const time of times) [last, longest] = [time, Math.max(longest, time - last)];
  return longest;
}

/** @param {string} url @param {Writers} writers */
async function lookedUp(url, { acknowledged }) {
  const cylinders = [...new Set(acknowledged.map(({ cylinder }) => cylinder))];
  let [missing, twice, wrong, extra] = [0, 0, 0, 0];
  for (const cylinder of cylinders) {
    const ids = await idsOf(url, cylinder);
    const seen = new Map(ids.map((id) => [id, ids.filter((other) => other === id).length]));
    const own = acknowledged.filter((one) => one.cylinder === cylinder);
    missing += own.filter(({ id }) => !seen.has(id)).length;
    twice += own.filter(({ id }) => (seen.get(id) ?? 0) > 1).length;
    extra += ids.length - own.length;
    const { contentKg } = await read(url, `/api/cylinders/${cylinder}`);
    if (Math.abs(contentKg - ids.length * 0.001) > 1e-9) wrong++;
  }
  return { missing, twice, extra, wrongBalances: wrong };
}

/** @param {string} url @param {string} cylinder */
async function idsOf(url, cylinder) {
  /** @type {string[]} */
  const ids = [];
  for (let last = ''; ;) {
    const page = await read(url, `/api/movements?limit=5000&account=${cylinder}${last}`);
    ids.push(...page.map((/** @type {{ id: string }} */ { id }) => id));
    if (page.length < 5000) return ids;
    last = `&before=${ids.at(-1)}`;
  }
}
