import { endpoints } from '@hygromet/contract/endpoints';
import { Hono } from 'hono';
import { addToVisit, openVisit, visitWithEvents } from '../domain/visits';
import { ownOrganisation } from '../store/organisation-store';
import { visitsOf } from '../store/visit-store';
import type { Deps, Env } from './env';
import { body, params } from './valid';

const { visits, visit, addVisit, addVisitEvent } = endpoints;

export const visitRoutes = ({ db, environment }: Deps) =>
  new Hono<Env>()
    .get(visits.path, async (c) => c.json(await visitsOf(db, (await ownOrganisation(db)).id)))
    .get(visit.path, params(visit.params), async (c) =>
      c.json(await visitWithEvents(db, (await ownOrganisation(db)).id, c.req.valid('param').id)),
    )
    .post(addVisit.path, body(addVisit.body), async (c) =>
      c.json(await openVisit(db, (await ownOrganisation(db)).id, c.req.valid('json'), environment), addVisit.status),
    )
    .post(addVisitEvent.path, params(addVisitEvent.params), body(addVisitEvent.body), async (c) =>
      c.json(
        await addToVisit(db, await ownOrganisation(db), c.req.valid('param').id, c.req.valid('json'), environment),
        addVisitEvent.status,
      ),
    );
