// @ts-check
import { randomUUID } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';

/** A writer that hears nothing for so long asks again. */
const PATIENCE_MS = 10_000;
const GRAM = 0.001;

/**
 * People who book without a pause, each into a cylinder of his own, and who send a booking again with its key until it is acknowledged.
 * @param {string} url @param {number} count
 */
export async function startWriters(url, count) {
  const supplier = (await read(url, '/api/accounts')).find((/** @type {{ kind: string }} */ { kind }) => kind === 'supplier');
  /** @type {{ id: string, cylinder: string, at: number }[]} */
  const acknowledged = [];
  /** @type {string[]} */
  const refused = [];
  let stopped = false;

  const write = async () => {
    const cylinder = await register(url, `W-${randomUUID().slice(0, 8)}`);
    for (let grams = 0; !stopped; grams++) {
      const body = {
        key: randomUUID(),
        from: supplier.id,
        cylinder: cylinder.id,
        refrigerant: 'R-410A',
        grossBeforeKg: Number((cylinder.tareKg + grams * GRAM).toFixed(9)),
        grossAfterKg: Number((cylinder.tareKg + (grams + 1) * GRAM).toFixed(9)),
        happenedAt: new Date().toISOString(),
        recordedBy: 'Tobin Wake',
      };
      for (let answer; answer === undefined;) {
        answer = await send(url, '/api/transfers', body).catch(() => undefined);
        if (answer?.status === 503 || answer === undefined) {
          answer = undefined;
          await sleep(50);
        } else if (answer.status >= 400) {
          refused.push(`${answer.status} ${JSON.stringify(answer.body)}`);
          grams--;
        } else acknowledged.push({ id: answer.body.movement.id, cylinder: cylinder.id, at: performance.now() });
      }
    }
  };
  const writing = Promise.all(Array.from({ length: count }, write));
  return {
    acknowledged,
    refused,
    stop: () => {
      stopped = true;
      return writing;
    },
  };
}

/** @param {string} url @param {string} name */
async function register(url, name) {
  const body = { key: randomUUID(), name, volumeM3: 0.012, tareKg: 8, servicePressurePa: 2.8e6, requalified: '2026-05', place: 'van' };
  const { status, body: cylinder } = await send(url, '/api/cylinders', body);
  if (status !== 201) throw new Error(`the cylinder ${name} was refused: ${JSON.stringify(cylinder)}`);
  return cylinder;
}

/** @param {string} url @param {string} path @returns {Promise<any>} */
export const read = async (url, path) => (await fetch(url + path)).json();

/** @param {string} url @param {string} path @param {unknown} body @returns {Promise<{ status: number, body: any }>} */
export async function send(url, path, body) {
  const answer = await fetch(url + path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
    signal: AbortSignal.timeout(PATIENCE_MS),
  });
  return { status: answer.status, body: await answer.json() };
}
