import { endpoints } from '@hygromet/contract/endpoints';
import { Hono } from 'hono';
import { Refused } from '../domain/refused';
import { registerSystem } from '../domain/register-system';
import { saveSystemFacts } from '../domain/save-system-facts';
import { ownOrganisation } from '../store/organisation-store';
import { systemById, systemsOf } from '../store/system-store';
import type { Deps, Env } from './env';
import { body, params } from './valid';

const { systems, system, addSystem, saveSystemFacts: save } = endpoints;

export const systemRoutes = ({ db, outside }: Deps) =>
  new Hono<Env>()
    .get(systems.path, async (c) => c.json(await systemsOf(db, (await ownOrganisation(db)).id)))
    .get(system.path, params(system.params), async (c) => {
      const found = await systemById(db, (await ownOrganisation(db)).id, c.req.valid('param').id);
      if (found === undefined) throw new Refused('not-found', 'This system is not in the register.');
      return c.json(found);
    })
    .post(addSystem.path, body(addSystem.body), async (c) =>
      c.json(await registerSystem(db, await ownOrganisation(db), c.req.valid('json'), outside), addSystem.status),
    )
    .put(save.path, params(save.params), body(save.body), async (c) =>
      c.json(await saveSystemFacts(db, (await ownOrganisation(db)).id, c.req.valid('param').id, c.req.valid('json'), outside)),
    );
