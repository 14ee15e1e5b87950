import { endpoints } from '@hygromet/contract/endpoints';
import type { RefrigerantSummary } from '@hygromet/contract/refrigerant';
import { classificationOf, isFlammable } from '@hygromet/core/fluids/classification';
import { allRefrigerants } from '@hygromet/core/fluids/refrigerant';
import { Hono } from 'hono';
import { saveSettings, settingsAnswer } from '../domain/settings';
import { fillPolicyOf, organisationHistory, ownOrganisation } from '../store/organisation-store';
import type { Deps, Env } from './env';
import { body } from './valid';

const { compute, fillLimits, properties, refrigerants, organisation, organisationHistory: history, saveOrganisation: save } = endpoints;

const summaries = allRefrigerants.map(({ id, kind, composition, modelQuality }): RefrigerantSummary => {
  const classification = classificationOf(id);
  return {
    id,
    kind,
    composition: { ...composition },
    safetyGroup: classification.safetyGroup,
    flammable: isFlammable(classification),
    gwpAr4: classification.gwp.AR4,
    modelQuality,
  };
});

export const registerRoutes = ({ db, environment }: Deps) =>
  new Hono<Env>()
    .post(fillLimits.path, body(fillLimits.body), async (c) => {
      const policy = fillPolicyOf(await ownOrganisation(db));
      return c.json(await environment.computing.run('fill-limits', { request: c.req.valid('json'), policy }));
    })
    .post(properties.path, body(properties.body), async (c) => c.json(await environment.computing.run('property', c.req.valid('json'))))
    .post(compute.path, body(compute.body), async (c) => c.json(await environment.computing.run('compute', c.req.valid('json'))))
    .get(refrigerants.path, (c) => c.json(summaries))
    .get(organisation.path, async (c) => c.json(settingsAnswer(await ownOrganisation(db))))
    .get(history.path, async (c) => c.json(await organisationHistory(db, (await ownOrganisation(db)).id)))
    .put(save.path, body(save.body), async (c) => c.json(await saveSettings(db, c.req.valid('json'), environment)));
