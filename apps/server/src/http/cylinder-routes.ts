import { endpoints } from '@hygromet/contract/endpoints';
import { MOST_CYLINDERS_COUNT } from '@hygromet/contract/cylinder';
import { Hono } from 'hono';
import { bookWeighing } from '../domain/book-weighing';
import { CylinderList } from '../domain/cylinder-list';
import { describeCylinder } from '../domain/describe-cylinder';
import { importCylinders } from '../domain/import-cylinders';
import { moveCylinders } from '../domain/move-cylinders';
import { recordCylinderEvent } from '../domain/record-cylinder-event';
import { DomainError } from '../domain/domain-error';
import { registerCylinder } from '../domain/register-cylinder';
import { cylinderEventsOf } from '../store/cylinder-event-store';
import { cylinderById } from '../store/cylinder-store';
import { ownOrganisation } from '../store/organisation-store';
import type { Deps, Env } from './env';
import { body, params, query } from './valid';

const {
  cylinders,
  cylinder,
  addCylinder,
  weighCylinder,
  importCylinders: take,
  cylinderEvents,
  addCylinderEvent,
  moveCylinders: moves,
} = endpoints;

export const cylinderRoutes = ({ db, environment }: Deps) => {
  const list = new CylinderList(db, environment);
  return new Hono<Env>()
    .get(cylinders.path, query(cylinders.query), async (c) => {
      const { after, limit } = c.req.valid('query');
      if (after !== undefined || limit !== undefined) return c.json(await list.page({ after, limit: limit ?? MOST_CYLINDERS_COUNT }));
      const { tag, body: written } = await list.all();
      return c.body(written, 200, { 'content-type': 'application/json', etag: tag });
    })
    .get(cylinder.path, params(cylinder.params), async (c) => {
      const organisation = await ownOrganisation(db);
      const record = await cylinderById(db, organisation.id, c.req.valid('param').id);
      if (record === undefined) throw new DomainError('not-found', 'This cylinder is not in the register.');
      return c.json(await describeCylinder(record, organisation, environment));
    })
    .post(addCylinder.path, body(addCylinder.body), async (c) =>
      c.json(await registerCylinder(db, await ownOrganisation(db), c.req.valid('json'), environment), addCylinder.status),
    )
    .get(cylinderEvents.path, params(cylinderEvents.params), async (c) =>
      c.json(await cylinderEventsOf(db, (await ownOrganisation(db)).id, c.req.valid('param').id)),
    )
    .post(addCylinderEvent.path, params(addCylinderEvent.params), body(addCylinderEvent.body), async (c) => {
      const changed = await recordCylinderEvent(db, await ownOrganisation(db), c.req.valid('param').id, c.req.valid('json'), environment);
      return c.json(changed, addCylinderEvent.status);
    })
    .post(moves.path, body(moves.body), async (c) =>
      c.json(await moveCylinders(db, await ownOrganisation(db), c.req.valid('json'), environment)),
    )
    .post(take.path, body(take.body), async (c) =>
      c.json(await importCylinders(db, await ownOrganisation(db), c.req.valid('json'), environment)),
    )
    .post(weighCylinder.path, params(weighCylinder.params), body(weighCylinder.body), async (c) => {
      const booked = await bookWeighing(db, await ownOrganisation(db), c.req.valid('param').id, c.req.valid('json'), environment);
      return c.json(booked, booked.repeated ? 200 : weighCylinder.status);
    });
};
