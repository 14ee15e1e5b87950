import type { ComputeRequest } from '@hygromet/contract/compute';
import type { FillLimitsRequest } from '@hygromet/contract/fill-limits';
import type { PropertyRequest } from '@hygromet/contract/properties';
import type { Look } from '@hygromet/contract/look';
import { recordedSystem, seenLook } from '@hygromet/contract/plan-facts';
import type { Filling } from '@hygromet/core/cylinder/fill-limit';
import type { FillPolicy } from '@hygromet/core/cylinder/fill-rule';
import { suitability, type Candidate, type Incoming } from '@hygromet/core/cylinder/suitability';
import { CoreError } from '@hygromet/core/errors';
import { classificationOf, isFlammable } from '@hygromet/core/fluids/classification';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { permits } from '@hygromet/core/planning/decide';
import type { Method } from '@hygromet/core/planning/method';
import { planFor } from '@hygromet/core/planning/plan';
import type { CompanyPractice } from '@hygromet/core/planning/company-practice';
import { atmosphereAt } from '@hygromet/core/units/pressure';
import { altitude, kelvin, pascal } from '@hygromet/core/units/quantity';
import { unless } from '@hygromet/core/unless';
import { answerCompute } from '../domain/answer-compute';
import { answerProperty } from '../domain/answer-property';
import { answerFillLimits, limitsAnswer } from '../domain/compute-fill-limits';
import { fillStatusOf, type FillStatusQuestion } from '../domain/fill-status';
import { solveNow } from '../domain/solver';
import { sameObject } from './same-object';

export interface LimitsQuestion {
  readonly filling: Filling;
  readonly policy: FillPolicy;
  readonly airShare: number | undefined;
}

/** Whether something may go in there: what a booking is judged by. */
export interface ObjectionsQuestion {
  readonly candidate: Candidate;
  readonly incoming: Incoming;
  readonly policy: FillPolicy;
  readonly hottestK: number;
}

/** Whether a method may be taken at a system by what was seen of it. */
export interface MethodQuestion {
  readonly system: Parameters<typeof recordedSystem>[0];
  readonly refrigerant: string;
  readonly look: Look;
  readonly ambientK: number;
  readonly standingPa: number | null;
  readonly altitudeM: number;
  readonly practice: CompanyPractice;
  readonly method: Method;
}

/**
 * What takes the full model its time. Question and answer are plain data, so that any thread can be asked; a task knows nothing but its
 * question. Compositions arrive as copies: they are exchanged for the one object by which their states are remembered.
 */
export const tasks = {
  'fill-limits': ({ request, policy }: { request: FillLimitsRequest; policy: FillPolicy }) => answerFillLimits(request, policy),

  property: (request: PropertyRequest) => answerProperty(request),

  /** Its solver is loaded before: see who runs it. */
  compute: (request: ComputeRequest) => answerCompute(request, solveNow),

  /** Nothing where no limit can be computed. */
  limits: ({ filling, policy, airShare }: LimitsQuestion) =>
    unless(CoreError, () =>
      limitsAnswer({ ...filling, composition: sameObject(filling.composition) }, policy, airShare === undefined ? {} : { airShare }),
    ) ?? null,

  objections: ({ candidate, incoming, policy, hottestK }: ObjectionsQuestion) => {
    const inside = candidate.composition === undefined ? {} : { composition: sameObject(candidate.composition) };
    const coming = { ...incoming, composition: sameObject(incoming.composition) };
    return suitability({ ...candidate, ...inside }, coming, policy, kelvin(hottestK)).objections;
  },

  method: ({ system, refrigerant: id, look, ambientK, standingPa, altitudeM, practice, method }: MethodQuestion) => {
    const atmosphere = atmosphereAt(altitude(altitudeM));
    const known = recordedSystem(system, refrigerant(id).composition, isFlammable(classificationOf(id)));
    const standingPressure = standingPa === null ? undefined : pascal(standingPa);
    const { verdicts } = planFor(known, seenLook(look, { T: kelvin(ambientK), standingPressure, atmosphere }), practice).decision;
    const verdict = verdicts.find((entry) => entry.method === method);
    const against = (verdict?.reasons ?? []).filter(({ effect }) => effect !== 'not-advised');
    return { permitted: verdict !== undefined && permits(verdict), reasons: against.map(({ code }) => code.replaceAll('-', ' ')) };
  },

  'fill-statuses': (questions: readonly FillStatusQuestion[]) =>
    questions.map((question) =>
      fillStatusOf({ ...question, filling: { ...question.filling, composition: sameObject(question.filling.composition) } }),
    ),
};

export type Task = keyof typeof tasks;
export type Question<K extends Task> = Parameters<(typeof tasks)[K]>[0];
export type Answer<K extends Task> = ReturnType<(typeof tasks)[K]>;
