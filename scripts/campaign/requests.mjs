// @ts-check
import { readFileSync } from 'node:fs';
import { openHouse } from './house.mjs';
import { chance, valueFor } from './generate.mjs';
import { targets } from './processes.mjs';
import { read } from './writers.mjs';

const AT_ONCE = 8;
/** Names of things are asked for anew so often: what was made meanwhile is worked with. */
const LOOK_AGAIN = 500;

/**
 * Requests of every kind that the OpenAPI document promises, good and odd; the server holds every good answer to its contract meanwhile.
 * @param {{ requests: number, port: number, seed: number, tell: (line: string) => void }} options
 */
export async function requestCampaign({ requests, port, seed, tell }) {
  process.env['CHECK_ANSWERS'] = 'yes';
  const house = await openHouse(port);
  const by = chance(seed);
  /** @type {Record<string, number>} */
  const statuses = {};
  /** @type {string[]} */
  const faults = [];
  let [memory, refusedWithoutSentence] = [0, 0];
  try {
    const operations = operationsOf(await read(house.url, '/api/openapi.json'));
    let known = await knownThings(house.url);
    const one = async (/** @type {number} */ number) => {
      const request = requestFor(by.one(operations), by, known, number % 3 === 0 ? 0.12 : 0.01);
      const { status, body } = await sent(house.url, request);
      statuses[status] = (statuses[status] ?? 0) + 1;
      if (status >= 500) faults.push(`${status} ${request.method} ${request.path} ${request.body?.slice(0, 300)} → ${body.slice(0, 300)}`);
      if (status >= 400 && !/"detail":"[^"]{10,}/.test(body)) refusedWithoutSentence++;
    };
    for (let number = 0; number < requests; number += AT_ONCE) {
      await Promise.all(Array.from({ length: AT_ONCE }, (_, lane) => one(number + lane)));
      if (number % LOOK_AGAIN < AT_ONCE) {
        known = await knownThings(house.url);
        memory = Math.max(memory, residentMb(targets(house)['the server']?.() ?? []));
      }
      if (number % 5000 < AT_ONCE) tell(`${number} requests: ${JSON.stringify(statuses)}, ${Math.round(memory)} MB`);
    }
    return { requests, statuses, faults, refusedWithoutSentence, memory };
  } finally {
    await house.close();
  }
}

/** @param {any} document */
function operationsOf(document) {
  return Object.entries(document.paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, operation]) => ({
      method: method.toUpperCase(),
      path,
      body: operation.requestBody?.content['application/json'].schema,
      query: operation.parameters.filter((/** @type {any} */ one) => one.in === 'query'),
    })),
  );
}

/** Ids and names that exist, by the field that they belong in. @param {string} url */
async function knownThings(url) {
  const ids = (/** @type {{ id: string }[]} */ list) => list.map(({ id }) => id);
  const [cylinders, systems, accounts, visits, movements, refrigerants] = await Promise.all(
    ['cylinders', 'systems', 'accounts', 'visits', 'movements?limit=200', 'refrigerants'].map((what) => read(url, `/api/${what}`)),
  );
  return {
    '/api/cylinders': ids(cylinders).slice(0, 40),
    '/api/systems': ids(systems).slice(0, 40),
    '/api/visits': ids(visits).slice(0, 40),
    '/api/movements': ids(movements),
    cylinder: ids(cylinders).slice(0, 40),
    system: ids(systems).slice(0, 40),
    visit: ids(visits).slice(0, 40),
    from: ids(accounts).slice(0, 60),
    to: ids(accounts).slice(0, 60),
    account: ids(accounts).slice(0, 60),
    before: ids(movements),
    refrigerant: ids(refrigerants),
    recordedBy: ['Ines Marrow', 'Tobin Wake'],
  };
}

/** @param {any} operation @param {import('./generate.mjs').Chance} by @param {Record<string, string[]>} known @param {number} odd */
function requestFor({ method, path, body, query }, by, known, odd) {
  const ids = known[path.split('/{')[0]] ?? [];
  const filled = path.replace(/\{\w+\}/, () => (by.next() < odd ? 'x' : (by.one(ids) ?? 'x')));
  const asked = query
    .filter(() => by.next() < 0.5)
    .map((/** @type {any} */ { name, schema }) => {
      const value = valueFor(schema, by, { odd, known }, name);
      return `${name}=${percent(String(value))}`;
    });
  return {
    method,
    path: filled + (asked.length === 0 ? '' : `?${asked.join('&')}`),
    body: body === undefined ? undefined : JSON.stringify(valueFor(body, by, { odd, known })),
  };
}

/** Half a letter cannot be escaped: its bytes are sent as they are. @param {string} text */
function percent(text) {
  try {
    return encodeURIComponent(text);
  } catch {
    return '%ED%A0%80';
  }
}

/** @param {string} url @param {{ method: string, path: string, body: string | undefined }} request */
async function sent(url, { method, path, body }) {
  const init = body === undefined ? { method } : { method, body, headers: { 'content-type': 'application/json' } };
  const answer = await fetch(url + path, { ...init, signal: AbortSignal.timeout(60_000) });
  return { status: answer.status, body: await answer.text() };
}

/** @param {number[]} pids */
function residentMb(pids) {
  const sizes = pids.map((pid) => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0));
  return Math.max(0, ...sizes) / 1024;
}
