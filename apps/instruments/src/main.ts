import { serve } from '@hono/node-server';
import * as z from 'zod';
import { control } from './control';
import { Gateway } from './gateway';
import { EVERY_MS, Simulation } from './simulation';

const environment = z.object({
  PORT: z.coerce.number().int().min(1).max(65_535),
  SERVER: z.url(),
  TOKEN_FILE: z.string().min(1),
  SEED: z.coerce.number().int().default(1),
});

const { PORT, SERVER, TOKEN_FILE, SEED } = environment.parse(process.env);
const gateway = new Gateway(SERVER, TOKEN_FILE);
const simulation = new Simulation(SERVER, gateway, SEED);
const timer = setInterval(() => simulation.tick(), EVERY_MS);
const server = serve({ fetch: control(simulation).fetch, port: PORT, hostname: '127.0.0.1' });
const stop = () => {
  clearInterval(timer);
  gateway.close();
  server.close();
  process.exit(0);
};
process.once('SIGTERM', stop);
process.once('SIGINT', stop);
// whoever started it and is killed takes it along
process.stdin.once('end', stop).resume();
