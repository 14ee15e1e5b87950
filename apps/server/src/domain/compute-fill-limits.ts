import type { FillLimitsAnswer, FillLimitsRequest } from '@hygromet/contract/fill-limits';
import { fillLimits, type FillLimit } from '@hygromet/core/cylinder/fill-limit';
import type { FillPolicy } from '@hygromet/core/cylinder/fill-rule';
import { compositionOf, type Composition } from '@hygromet/core/fluids/composition';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { cubicMetre, kelvin, kilogram } from '@hygromet/core/units/quantity';

const limitAnswer = ({ rule, name, net, gross, mayAdd, required, formula, source, bases }: FillLimit) => ({
  rule,
  name,
  netKg: net,
  grossKg: gross,
  mayAddKg: mayAdd,
  required,
  formula,
  source,
  bases: bases.map((basis) => ({
    what: basis.what,
    share: basis.share,
    densityKgPerM3: basis.density,
    ...(basis.T === undefined ? {} : { temperatureK: basis.T }),
    netKg: basis.net,
    formula: basis.formula,
  })),
});

export interface LimitedCylinder {
  readonly composition: Composition;
  readonly volumeM3: number;
  readonly tareKg: number;
  readonly contentKg: number;
  readonly hottestK?: number | undefined;
}

/** All limits of a cylinder by the full property model. @throws the core's errors */
export function limitsOf(cylinder: LimitedCylinder, policy: FillPolicy): FillLimitsAnswer {
  const { limits, ruling, estimated } = fillLimits(
    {
      composition: cylinder.composition,
      volume: cubicMetre(cylinder.volumeM3),
      tare: kilogram(cylinder.tareKg),
      content: kilogram(cylinder.contentKg),
      hottest: cylinder.hottestK === undefined ? undefined : kelvin(cylinder.hottestK),
    },
    policy,
  );
  return { limits: limits.map(limitAnswer), ruling: ruling.rule, stopGrossKg: ruling.gross, mayAddKg: ruling.mayAdd, estimated };
}

/** The request of the wire: a designation or a composition. */
export const answerFillLimits = (request: FillLimitsRequest, policy: FillPolicy): FillLimitsAnswer =>
  limitsOf(
    {
      ...request,
      composition:
        request.composition === undefined ? refrigerant(request.refrigerant ?? '').composition : compositionOf(request.composition),
    },
    policy,
  );
