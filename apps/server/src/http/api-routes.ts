import { Hono } from 'hono';
import { calendarRoutes } from './calendar-routes';
import { cylinderRoutes } from './cylinder-routes';
import type { Deps, Env } from './env';
import { problemOf } from './errors';
import { instrumentRoutes } from './instrument-routes';
import { movementRoutes } from './movement-routes';
import { photographRoutes } from './photograph-routes';
import { registerRoutes } from './register-routes';
import { shipmentRoutes } from './shipment-routes';
import { systemRoutes } from './system-routes';
import { visitRoutes } from './visit-routes';

/** What the house keeps, read and written: every route that is about its work, with its own answer to whatever goes wrong. */
export function apiRoutes(deps: Deps): Hono<Env> {
  const api = new Hono<Env>();
  api.onError((error, c) => problemOf(error, c, deps.log));
  api.route('/', registerRoutes(deps));
  api.route('/', systemRoutes(deps));
  api.route('/', visitRoutes(deps));
  api.route('/', photographRoutes(deps));
  api.route('/', cylinderRoutes(deps));
  api.route('/', calendarRoutes(deps));
  api.route('/', movementRoutes(deps));
  api.route('/', shipmentRoutes(deps));
  api.route('/', instrumentRoutes(deps));
  return api;
}
