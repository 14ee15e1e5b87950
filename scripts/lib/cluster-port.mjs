// @ts-check
import { randomInt } from 'node:crypto';
import { isFree } from './ports.mjs';
import { Stop } from './say.mjs';

/** Below the ports that Linux gives to outgoing connections (from 32768 on): no passing connection takes the database's port while it restarts. */
const LOWEST = 20_000;
const HIGHEST = 32_000;

/** @param {number} port */
export const isLasting = (port) => port >= LOWEST && port < HIGHEST;

/** A port for a cluster to keep. @returns {Promise<number>} */
export async function databasePort() {
  for (let attempt = 0; attempt < 100; attempt++) {
    const port = randomInt(LOWEST, HIGHEST);
    if (await isFree(port)) return port;
  }
  throw new Stop(`No free port between ${LOWEST} and ${HIGHEST} was found for the database. Stop what holds them, and start again.`);
}
