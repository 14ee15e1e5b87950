import { endpoints } from '@hygromet/contract/endpoints';
import type { RefrigerantSummary } from '@hygromet/contract/refrigerant';
import { classificationOf, isFlammable } from '@hygromet/core/fluids/classification';
import { allRefrigerants } from '@hygromet/core/fluids/refrigerant';
import { Hono } from 'hono';
import { answerProperty } from '../domain/answer-property';
import { answerFillLimits } from '../domain/compute-fill-limits';
import { fillPolicyOf, ownOrganisation, saveOrganisation } from '../store/organisation-store';
import type { Deps, Env } from './env';
import { body } from './valid';

const { fillLimits, properties, refrigerants, organisation, saveOrganisation: save } = endpoints;

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

export const registerRoutes = ({ db }: Deps) =>
  new Hono<Env>()
    .post(fillLimits.path, body(fillLimits.body), async (c) =>
      c.json(answerFillLimits(c.req.valid('json'), fillPolicyOf(await ownOrganisation(db)))),
    )
    .post(properties.path, body(properties.body), (c) => c.json(answerProperty(c.req.valid('json'))))
    .get(refrigerants.path, (c) => c.json(summaries))
    .get(organisation.path, async (c) => {
      const { id: _, ...known } = await ownOrganisation(db);
      return c.json(known);
    })
    .put(save.path, body(save.body), async (c) => {
      await saveOrganisation(db, (await ownOrganisation(db)).id, c.req.valid('json'));
      return c.json(c.req.valid('json'));
    });
