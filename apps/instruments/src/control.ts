import { meterings } from '@hygromet/core/cycle/unit';
import { machineStates } from '@hygromet/core/twin/machine-state';
import { coolingsOfCylinder, recoveryMethods } from '@hygromet/core/twin/scenario';
import { Hono } from 'hono';
import * as z from 'zod';
import page from './page/index.html';
import script from './page/page.script.js';
import { speeds } from './played';
import { leaks, proofProbes } from './proof-scene';
import { runFaults, runProbes, runStarts } from './running-scene';
import { probes } from './scene';
import type { Simulation } from './simulation';

const setting = z.strictObject({
  system: z.uuid(),
  cylinder: z.uuid(),
  method: z.enum(recoveryMethods),
  ambientK: z.number().min(240).max(330),
  airKg: z.number().min(0).max(1).optional(),
});

const proof = z.strictObject({
  system: z.uuid(),
  leak: z.enum(leaks),
  wet: z.boolean(),
  ambientK: z.number().min(260).max(320),
});

const run = z.strictObject({
  system: z.uuid(),
  cylinder: z.uuid(),
  fault: z.enum(runFaults),
  metering: z.enum(meterings),
  start: z.enum(runStarts),
  heating: z.boolean(),
  outdoorK: z.number().min(240).max(325),
});

const act = z.discriminatedUnion('act', [
  z.strictObject({ act: z.literal('valve'), to: z.enum(['open', 'shut']) }),
  z.strictObject({ act: z.literal('machine'), to: z.enum(machineStates) }),
  z.strictObject({ act: z.literal('cooling'), to: z.enum(coolingsOfCylinder) }),
  z.strictObject({ act: z.literal('probe'), probe: z.enum([...probes, ...proofProbes, ...runProbes]), to: z.enum(['on', 'off']) }),
  z.strictObject({ act: z.literal('kick') }),
  z.strictObject({ act: z.literal('zero'), kg: z.number().min(-5).max(5) }),
  z.strictObject({ act: z.literal('speed'), to: z.literal([...speeds]) }),
  z.strictObject({ act: z.literal('nitrogen'), gaugePa: z.number().min(0).max(4e6) }),
  z.strictObject({ act: z.literal('vent') }),
  z.strictObject({ act: z.literal('pump'), to: z.enum(['on', 'off']) }),
  z.strictObject({ act: z.literal('system-valve'), to: z.enum(['open', 'shut']) }),
  z.strictObject({ act: z.literal('mend') }),
  z.strictObject({ act: z.literal('put-right') }),
  z.strictObject({ act: z.literal('compressor'), to: z.enum(['on', 'off']) }),
  z.strictObject({ act: z.literal('feed'), to: z.enum(['open', 'shut']) }),
  z.strictObject({ act: z.literal('rain'), to: z.enum(['on', 'off']) }),
  z.strictObject({ act: z.literal('sun'), to: z.enum(['on', 'off']) }),
]);

/** The page on which a person sets the scene. It answers to this machine alone, and to no page of somebody else. */
export const control = (simulation: Simulation) =>
  new Hono()
    .use(async (c, next) => {
      const { hostname, host } = new URL(c.req.url);
      const origin = c.req.header('origin');
      if (!['127.0.0.1', 'localhost'].includes(hostname) || (origin !== undefined && origin !== `http://${host}`))
        return c.text('Not from here.', 403);
      return next();
    })
    .get('/', (c) => c.html(page))
    .get('/page.js', (c) => c.body(script, 200, { 'content-type': 'text/javascript' }))
    .get('/state', (c) => c.json(simulation.state()))
    .get('/offers', async (c) => c.json(await simulation.offers()))
    .post('/scene', async (c) => {
      const parsed = setting.safeParse(await c.req.json());
      if (!parsed.success) return c.json({ problem: parsed.error.issues[0]?.message ?? 'This is no scene.' }, 422);
      await simulation.set(parsed.data);
      return c.json(simulation.state());
    })
    .post('/proof', async (c) => {
      const parsed = proof.safeParse(await c.req.json());
      if (!parsed.success) return c.json({ problem: parsed.error.issues[0]?.message ?? 'This is no scene.' }, 422);
      await simulation.prove(parsed.data);
      return c.json(simulation.state());
    })
    .post('/run', async (c) => {
      const parsed = run.safeParse(await c.req.json());
      if (!parsed.success) return c.json({ problem: parsed.error.issues[0]?.message ?? 'This is no scene.' }, 422);
      await simulation.run(parsed.data);
      return c.json(simulation.state());
    })
    .post('/identify', (c) => {
      simulation.identify();
      return c.json(simulation.state());
    })
    .post('/act', async (c) => {
      const parsed = act.safeParse(await c.req.json());
      if (!parsed.success) return c.json({ problem: parsed.error.issues[0]?.message ?? 'Nobody can do that here.' }, 422);
      simulation.do(parsed.data);
      return c.json(simulation.state());
    })
    .onError((error, c) => c.json({ problem: error.message }, 503));
