// @ts-check
import http from 'node:http';

const MEASURED_MS = 1500;
const WARM_UP_MS = 500;
const ROUNDS = 4;

/** @typedef {{ perSecond: number, p50: number, p95: number }} Measured answers a second, and ms */

/**
 * Loads in turns, several rounds: what else runs on the machine meets them all.
 * @template {string} K
 * @param {Record<K, { writers: number, once: (writer: number) => Promise<void> }>} loads
 * @returns {Promise<Record<K, Measured>>}
 */
export async function inTurns(loads) {
  const names = /** @type {K[]} */ (Object.keys(loads));
  /** @type {Record<string, number[]>} */
  const times = Object.fromEntries(names.map((name) => [name, []]));
  for (let round = 0; round < ROUNDS; round++)
    for (const name of names) times[name]?.push(...(await load(loads[name].writers, loads[name].once)));
  return /** @type {Record<K, Measured>} */ (Object.fromEntries(names.map((name) => [name, summary(times[name] ?? [])])));
}

/** @param {number[]} times @returns {Measured} */
function summary(times) {
  const sorted = times.toSorted((a, b) => a - b);
  const at = (/** @type {number} */ share) => sorted[Math.floor(sorted.length * share)] ?? Number.NaN;
  return { perSecond: (sorted.length / (ROUNDS * MEASURED_MS)) * 1000, p50: at(0.5), p95: at(0.95) };
}

/**
 * So many at once ask one thing after the other.
 * @param {number} writers @param {(writer: number) => Promise<void>} once
 * @returns {Promise<number[]>} ms of each
 */
async function load(writers, once) {
  /** @type {number[]} */
  const times = [];
  const begin = performance.now() + WARM_UP_MS;
  const end = begin + MEASURED_MS;
  await Promise.all(
    Array.from({ length: writers }, async (_, writer) => {
      for (let started = performance.now(); started < end; started = performance.now()) {
        await once(writer);
        if (started >= begin) times.push(performance.now() - started);
      }
    }),
  );
  return times;
}

const agent = new http.Agent({ keepAlive: true, maxSockets: 200 });

/**
 * As light as it can be: the one who asks shares the machine with the one who answers.
 * @param {string} url @param {unknown} [body] @returns {Promise<string>}
 */
export function ask(url, body) {
  return new Promise((resolve, reject) => {
    const sent = body === undefined ? undefined : JSON.stringify(body);
    const request = http.request(
      url,
      { agent, method: sent === undefined ? 'GET' : 'POST', headers: sent === undefined ? {} : { 'content-type': 'application/json' } },
      (answer) => {
        let text = '';
        answer
          .setEncoding('utf8')
          .on('data', (part) => (text += part))
          .on('end', () => {
            if ((answer.statusCode ?? 500) < 300) resolve(text);
            else reject(new Error(`${url}: ${answer.statusCode} ${text}`));
          });
      },
    );
    request.on('error', reject);
    request.end(sent);
  });
}
