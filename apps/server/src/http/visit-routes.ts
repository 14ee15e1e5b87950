import { endpoints } from '@hygromet/contract/endpoints';
import { Hono } from 'hono';
import { closeVisit, keepReading, moveVisit, openVisit, savePlan } from '../domain/visits';
import { ownOrganisation } from '../store/organisation-store';
import { visitsOf } from '../store/visit-store';
import type { Deps, Env } from './env';
import { body, params } from './valid';

const { visits, addVisit, saveVisitPlan, addVisitReading, moveVisit: move, closeVisit: close } = endpoints;

export const visitRoutes = ({ db, outside }: Deps) =>
  new Hono<Env>()
    .get(visits.path, async (c) => c.json(await visitsOf(db, (await ownOrganisation(db)).id)))
    .post(addVisit.path, body(addVisit.body), async (c) =>
      c.json(await openVisit(db, (await ownOrganisation(db)).id, c.req.valid('json'), outside), addVisit.status),
    )
    .put(saveVisitPlan.path, params(saveVisitPlan.params), body(saveVisitPlan.body), async (c) =>
      c.json(await savePlan(db, (await ownOrganisation(db)).id, c.req.valid('param').id, c.req.valid('json'), outside)),
    )
    .post(addVisitReading.path, params(addVisitReading.params), body(addVisitReading.body), async (c) =>
      c.json(await keepReading(db, (await ownOrganisation(db)).id, c.req.valid('param').id, c.req.valid('json')), addVisitReading.status),
    )
    .put(move.path, params(move.params), body(move.body), async (c) =>
      c.json(await moveVisit(db, (await ownOrganisation(db)).id, c.req.valid('param').id, c.req.valid('json'), outside)),
    )
    .put(close.path, params(close.params), body(close.body), async (c) =>
      c.json(await closeVisit(db, (await ownOrganisation(db)).id, c.req.valid('param').id, c.req.valid('json').version, outside)),
    );
