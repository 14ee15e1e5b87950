// @ts-check
import { once } from 'node:events';
import http from 'node:http';
import { setTimeout as sleep } from 'node:timers/promises';
import { buildServer } from '../lib/build.mjs';
import { urlOf } from '../lib/cluster.mjs';
import { ensureDatabase } from '../lib/databases.mjs';
import { freePort } from '../lib/ports.mjs';
import { prepareDatabase, spawnServer, untilServing } from '../lib/server-process.mjs';

const [TRANSFERS, HERTZ, SECONDS] = [200, 4, 20];

/**
 * Two hundred transfers that are read four times a second, all on one server process, each with a page that watches it: is anything lost, and
 * how long is a reading on its way.
 * @param {import('../lib/cluster.mjs').Settings} settings @param {string} dataFolder
 */
export async function benchReadings(settings, dataFolder) {
  await buildServer();
  await ensureDatabase(settings);
  await prepareDatabase(urlOf(settings, 'owner'));
  const port = await freePort();
  const server = spawnServer(urlOf(settings, 'app'), port, dataFolder);
  try {
    await untilServing(port, server);
    await measure(port);
  } finally {
    const ended = once(server, 'exit');
    server.stdin?.end();
    await ended;
  }
}

/** @param {number} port */
async function measure(port) {
  const agent = new http.Agent({ keepAlive: true, maxSockets: 400 });
  const added = await post(port, agent, '/api/gateways', { name: 'bench', recordedBy: 'bench' }, {});
  const { token } = JSON.parse(added);
  /** @type {number[]} */
  const latencies = [];
  /** @type {Set<string>} */
  const seen = new Set();
  const watchers = Array.from({ length: TRANSFERS }, (_, k) => watch(port, `scale-${k}`, latencies, seen));
  await Promise.all(watchers.map(({ open }) => open));
  let sent = 0;
  const until = Date.now() + SECONDS * 1000;
  const send = async (/** @type {number} */ k) => {
    await sleep((1000 / HERTZ) * (k / TRANSFERS));
    for (let next = Date.now(); next < until; next += 1000 / HERTZ) {
      await sleep(Math.max(0, next - Date.now()));
      sent++;
      await post(
        port,
        agent,
        '/api/instruments/readings',
        [{ n: `urn:dev:ser:scale-${k}:gross`, u: 'kg', t: 0, bt: Date.now() / 1000, v: 12 + sent * 1e-6 }],
        {
          authorization: `Bearer ${token}`,
        },
      );
    }
  };
  await Promise.all(Array.from({ length: TRANSFERS }, (_, k) => send(k)));
  await sleep(1500);
  for (const { close } of watchers) close();
  latencies.sort((a, b) => a - b);
  const at = (/** @type {number} */ share) => latencies[Math.floor(share * (latencies.length - 1))] ?? Number.NaN;
  process.stdout.write(
    `\n${TRANSFERS} transfers at ${HERTZ} Hz for ${SECONDS} s: ${sent} readings sent, ${seen.size} seen, p50 ${at(0.5)} ms, p95 ${at(0.95)} ms, longest ${at(1)} ms from instrument to page\n`,
  );
}

/** @param {number} port @param {http.Agent} agent @param {string} path @param {object} body @param {Record<string, string>} headers @returns {Promise<string>} */
const post = (port, agent, path, body, headers) =>
  new Promise((resolve, reject) => {
    const request = http.request(
      { port, host: '127.0.0.1', path, method: 'POST', agent, headers: { 'content-type': 'application/json', ...headers } },
      (response) => {
        let text = '';
        response.on('data', (chunk) => (text += chunk));
        response.on('end', () =>
          response.statusCode === undefined || response.statusCode >= 300 ? reject(new Error(text)) : resolve(text),
        );
      },
    );
    request.on('error', reject);
    request.end(JSON.stringify(body));
  });

/** @param {number} port @param {string} name @param {number[]} latencies @param {Set<string>} seen */
function watch(port, name, latencies, seen) {
  let rest = '';
  /** @type {http.ClientRequest} */
  let request;
  const open = new Promise((resolve, reject) => {
    request = http.get({ port, host: '127.0.0.1', path: `/api/instruments/stream?instruments=${name}` }, (response) => {
      resolve(undefined);
      response.on('data', (chunk) => {
        rest += chunk;
        const now = Date.now();
        for (let cut = rest.indexOf('\n\n'); cut >= 0; cut = rest.indexOf('\n\n')) {
          const data = /^data: (\[.*)$/m.exec(rest.slice(0, cut))?.[1];
          rest = rest.slice(cut + 2);
          for (const [instrument, , ms] of data === undefined ? [] : JSON.parse(data)) {
            seen.add(`${instrument} ${ms}`);
            latencies.push(now - ms);
          }
        }
      });
      response.on('error', () => undefined);
    });
    request.on('error', reject);
  });
  return { open, close: () => request.destroy() };
}
