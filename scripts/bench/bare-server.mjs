// @ts-check
import { serve } from '@hono/node-server';
import { Hono } from 'hono';
import { randomUUID } from 'node:crypto';
import pg from 'pg';

/**
 * What the same machine does with Hono and pg alone, to compare with: no contract, no model, no answer but the row.
 * Started with DATABASE_URL and PORT; the query of the cylinders comes in LIST_QUERY.
 */
const pool = new pg.Pool({ connectionString: process.env['DATABASE_URL'], max: 10 });
const listQuery = process.env['LIST_QUERY'] ?? 'select 1';

/** @param {string} text @param {unknown[]} values */
async function inOneTransaction(text, values) {
  const client = await pool.connect();
  try {
    await client.query('begin');
    await client.query({ name: text.slice(0, 20), text, values });
    await client.query('commit');
  } finally {
    client.release();
  }
}

const PLAIN = 'insert into bench_entry (id, from_account, to_account, mass_kg, composition, recorded_by) values ($1, $2, $3, $4, $5, $6)';
const GUARDED = `insert into movement (id, organisation_id, idempotency_key, from_account, to_account, mass_kg, refrigerant, composition, known,
  happened_at, recorded_at, recorded_by, content_hash)
  values ($1, $2, $3, $4, $5, $6, 'R-410A', $7, 'weighed', now(), now(), $8, '')`;

const app = new Hono()
  .get('/healthz', (c) => c.json({ status: 'ok' }))
  .get('/list', async (c) => c.json((await pool.query({ name: 'list', text: listQuery })).rows))
  .post('/plain', async (c) => {
    const { from, to, massKg, composition } = await c.req.json();
    const id = randomUUID();
    await inOneTransaction(PLAIN, [id, from, to, massKg, composition, 'bench']);
    return c.json({ id }, 201);
  })
  .post('/guarded', async (c) => {
    const { organisation, from, to, massKg, composition } = await c.req.json();
    const id = randomUUID();
    await inOneTransaction(GUARDED, [id, organisation, randomUUID(), from, to, massKg, composition, 'bench']);
    return c.json({ id }, 201);
  });

serve({ fetch: app.fetch, port: Number(process.env['PORT']), hostname: '127.0.0.1' });
process.stdin.once('end', () => process.exit(0)).resume();
