import { endpoints } from '@hygromet/contract/endpoints';
import { Hono } from 'hono';
import { importSystems } from '../domain/import-systems';
import { DomainError } from '../domain/domain-error';
import { registerSystem } from '../domain/register-system';
import { saveSystemFacts } from '../domain/save-system-facts';
import { ownOrganisation } from '../store/organisation-store';
import { factsHistory, systemById, systemsOf } from '../store/system-store';
import type { Deps, Env } from './env';
import { body, params } from './valid';

const { systems, system, addSystem, saveSystemFacts: save, systemHistory, importSystems: take } = endpoints;

export const systemRoutes = ({ db, environment }: Deps) =>
  new Hono<Env>()
    .get(systems.path, async (c) => c.json(await systemsOf(db, (await ownOrganisation(db)).id)))
    .get(system.path, params(system.params), async (c) => {
      const found = await systemById(db, (await ownOrganisation(db)).id, c.req.valid('param').id);
      if (found === undefined) throw new DomainError('not-found', 'This system is not in the register.');
      return c.json(found);
    })
    .post(addSystem.path, body(addSystem.body), async (c) =>
      c.json(await registerSystem(db, await ownOrganisation(db), c.req.valid('json'), environment), addSystem.status),
    )
    .post(take.path, body(take.body), async (c) =>
      c.json(await importSystems(db, await ownOrganisation(db), c.req.valid('json'), environment)),
    )
    .get(systemHistory.path, params(systemHistory.params), async (c) =>
      c.json(await factsHistory(db, (await ownOrganisation(db)).id, c.req.valid('param').id)),
    )
    .put(save.path, params(save.params), body(save.body), async (c) =>
      c.json(await saveSystemFacts(db, (await ownOrganisation(db)).id, c.req.valid('param').id, c.req.valid('json'), environment)),
    );
