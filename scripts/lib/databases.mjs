// @ts-check
import { DATABASE, urlOf } from './cluster.mjs';
import { Stop } from './say.mjs';

/**
 * Runs SQL as the owner. The driver is Node's, installed by now: a password given to `psql` would stand in the process list.
 * @param {import('./cluster.mjs').Settings} settings @param {string} database @param {string} sql @returns {Promise<any[]>} rows
 */
export async function asOwner(settings, database, sql) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: urlOf(settings, 'owner', database) });
  try {
    await client.connect();
    return (await client.query(sql)).rows;
  } catch (error) {
    throw new Stop(`PostgreSQL refused: ${error instanceof Error ? error.message : error}`);
  } finally {
    await client.end().catch(() => undefined);
  }
}

/** @param {import('./cluster.mjs').Settings} settings */
export async function ensureDatabase(settings) {
  const found = await asOwner(settings, 'postgres', `select 1 from pg_database where datname = '${DATABASE}'`);
  if (found.length === 0) await asOwner(settings, 'postgres', `create database ${DATABASE}`);
}

/** @param {import('./cluster.mjs').Settings} settings @param {string} [database] */
export const dropDatabase = (settings, database = DATABASE) =>
  asOwner(settings, 'postgres', `drop database if exists ${database} with (force)`);
