import type { FillLimitsAnswer, FillLimitsRequest } from '@hygromet/contract/fill-limits';
import { fillLimits, type FillLimit, type Filling } from '@hygromet/core/cylinder/fill-limit';
import type { FillPolicy } from '@hygromet/core/cylinder/fill-rule';
import { fullAt, hotPressure } from '@hygromet/core/cylinder/hot-state';
import { contentsByPressure } from '@hygromet/core/cylinder/judged-contents';
import { UNKNOWN } from '@hygromet/core/cylinder/unknown-content';
import { USUAL_HANDLING } from '@hygromet/core/cylinder/handling';
import { stopWeight, type StopWeight } from '@hygromet/core/cylinder/stop-weight';
import { classFor } from '@hygromet/core/cylinder/suitability';
import type { Composition } from '@hygromet/core/fluids/composition';
import { compositionFrom, refrigerant } from '@hygromet/core/fluids/refrigerant';
import { CoreError } from '@hygromet/core/errors';
import { cubicMetre, kelvin, kilogram } from '@hygromet/core/units/quantity';
import { unless } from '@hygromet/core/unless';
import { HOT_REFERENCE } from '@hygromet/core/cylinder/reference-temperatures';

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

/** Limits, stop and what follows from it, for the wire. @throws the core's errors */
export function limitsAnswer(filling: Filling, policy: FillPolicy, more: { oilShare?: number; airShare?: number } = {}): FillLimitsAnswer {
  const found = fillLimits(filling, policy);
  const known = filling.incoming?.composition ?? filling.composition;
  const oilShare = more.oilShare ?? USUAL_HANDLING.oilShare;
  const stop = stopWeight(found, known, { ...USUAL_HANDLING, oilShare });
  return {
    limits: found.limits.map(limitAnswer),
    ruling: stop.limit.rule,
    stopGrossKg: stop.gross,
    mayAddKg: stop.gross - filling.tare - filling.content,
    budget: stop.budget.map(({ term, kg }) => ({ term, kg })),
    estimated: found.estimated,
    ...inTheHeat(filling, stop, more.airShare),
  };
}

/** Filled to its stop, or as it is where more is in it. */
function inTheHeat(filling: Filling, stop: StopWeight, airShare: number | undefined) {
  const { volume, rating } = filling;
  const mass = kilogram(Math.max(filling.content, stop.net));
  const contents = contentsByPressure({ ...filling, port: 'liquid' });
  const cylinders = contents.map((composition) => ({ composition, volume, mass, airShare }));
  const T = filling.hottest ?? HOT_REFERENCE;
  const full = cylinders.flatMap((cylinder) => fullAt(cylinder)?.T ?? []);
  const rated = rating?.servicePressure !== undefined || rating?.testPressure !== undefined;
  return {
    // nothing where it cannot be computed: beyond the published equations above all
    pressureAtHottestPa:
      (mass > 0 ? unless(CoreError, () => Math.max(...cylinders.map((cylinder) => hotPressure(cylinder, T)))) : undefined) ?? null,
    liquidFullK: full.length === 0 ? null : Math.min(...full),
    classSuits: rated ? classFor(filling, { volume, mass, airShare }).suits : null,
  };
}

/** The request of the wire: a designation, a composition, or nothing that anybody knows. */
export const answerFillLimits = (request: FillLimitsRequest, policy: FillPolicy): FillLimitsAnswer =>
  limitsAnswer(
    {
      composition: request.unknown === true ? UNKNOWN : knownOf(request),
      volume: cubicMetre(request.volumeM3),
      tare: kilogram(request.tareKg),
      content: kilogram(request.contentKg),
      hottest: request.hottestK === undefined ? undefined : kelvin(request.hottestK),
      rating: { stamp: request.stamp, servicePressure: request.servicePressurePa, testPressure: request.testPressurePa },
      port: request.incoming?.port,
      incoming: request.incoming && {
        composition: knownOf(request.incoming),
        mass: request.incoming.massKg === undefined ? undefined : kilogram(request.incoming.massKg),
      },
    },
    policy,
    {
      ...(request.oilShare === undefined ? {} : { oilShare: request.oilShare }),
      ...(request.airShare === undefined ? {} : { airShare: request.airShare }),
    },
  );

const knownOf = ({ refrigerant: id, composition }: Pick<FillLimitsRequest, 'refrigerant' | 'composition'>): Composition =>
  composition === undefined ? refrigerant(id ?? '').composition : compositionFrom(composition);
