import { lineSetOf, recordedSystem } from '@hygromet/contract/plan-facts';
import type { System } from '@hygromet/contract/system';
import { holding, type Holding } from '@hygromet/core/circuit/holding';
import { lineCorrection } from '@hygromet/core/circuit/line-set';
import { estimatedVolume, knownVolume, type PartVolume } from '@hygromet/core/circuit/part-volume';
import type { PartLimit } from '@hygromet/core/circuit/weakest-part';
import type { EvacuationLevel } from '@hygromet/core/compliance/evacuation-level';
import type { Composition } from '@hygromet/core/fluids/composition';
import { fallByHoses, USUAL_HOSES, type AsFound } from '@hygromet/core/planning/as-found';
import type { Contradiction } from '@hygromet/core/planning/contradictions';
import { permits, type Decision } from '@hygromet/core/planning/decide';
import type { Method } from '@hygromet/core/planning/method';
import { planFor, stepsFor, type Look } from '@hygromet/core/planning/plan';
import type { RecoveryEstimate } from '@hygromet/core/planning/recovery-estimate';
import type { CompanyPractice } from '@hygromet/core/planning/company-practice';
import { trialCriterion, type TrialCriterion } from '@hygromet/core/planning/sight';
import type { ContentNow } from '@hygromet/core/planning/content-now';
import type { Step } from '@hygromet/core/planning/steps';
import { bubblePoint } from '@hygromet/core/thermo/saturation';
import { cubicMetre, kelvin, kilogram, pascal } from '@hygromet/core/units/quantity';

/** A look in plain numbers, SI. */
export type PlainLook = Omit<Look, 'T' | 'standingPressure' | 'atmosphere'> & {
  readonly T: number;
  readonly standingPressure?: number | undefined;
  readonly atmosphere: number;
};

export interface PlanArgs {
  readonly system: Pick<System, 'kind' | 'nameplateKg' | 'contentKg' | 'facts'>;
  readonly composition: Composition;
  readonly flammable: boolean;
  readonly look: PlainLook;
  /** As the organisation has decided. */
  readonly practice: CompanyPractice;
  /** Chosen by a person; otherwise the one that is proposed. */
  readonly method?: Method | undefined;
}

export interface PlanAnswer {
  readonly decision: Decision;
  readonly method: Method | undefined;
  readonly asFound: AsFound;
  readonly content: ContentNow;
  readonly condenser: Holding | undefined;
  readonly receiver: Holding | undefined;
  readonly level: EvacuationLevel;
  /** Of the whole circuit. */
  readonly volume: PartVolume;
  /** By what a pump-down trial is judged here. */
  readonly trial: TrialCriterion;
  readonly contradictions: readonly Contradiction[];
  readonly lineKg: number;
  readonly steps: readonly Step[];
  readonly estimate: RecoveryEstimate | undefined;
  /** What bears least of the recorded parts. */
  readonly weakest: PartLimit | undefined;
  /** What three usual hoses take from a system that holds vapour alone, Pa; nothing while there is liquid, or unread. */
  readonly hosesTake: number | undefined;
}

export interface ReceiverArgs {
  readonly composition: Composition;
  /** As it is recorded; otherwise it is estimated by the plate. */
  readonly volume: { readonly m3: number; readonly known: 'measured' | 'plate' } | undefined;
  readonly nameplateKg: number;
  readonly practice: CompanyPractice;
}

export interface LineSetArgs {
  readonly lineSet: NonNullable<System['facts']['lineSet']>;
  readonly composition: Composition;
  /** K, of the liquid in the line. */
  readonly T: number;
}

const inUnits = (look: PlainLook): Look => ({
  ...look,
  T: kelvin(look.T),
  atmosphere: pascal(look.atmosphere),
  standingPressure: look.standingPressure === undefined ? undefined : pascal(look.standingPressure),
});

export const planOperations = {
  /** kg that a line set takes beyond what the plate covers; below 0 where it is shorter. */
  lineSet: ({ lineSet, composition, T }: LineSetArgs): number =>
    lineCorrection(lineSetOf(lineSet), bubblePoint(composition, kelvin(T)).rhoLiquid),

  /** What is in each of them now, by what was seen of it. */
  inItNow: (asked: readonly { readonly id: string; readonly args: PlanArgs }[]): readonly (readonly [string, ContentNow])[] =>
    asked.map(({ id, args: { system, composition, flammable, look, practice } }) => [
      id,
      planFor(recordedSystem(system, composition, flammable), inUnits(look), practice).content,
    ]),

  /** What a receiver may hold at the hottest that it gets: the day's own warmth never allows more. */
  receiverRoom: ({ composition, volume, nameplateKg, practice }: ReceiverArgs): Holding =>
    holding(
      volume === undefined ? estimatedVolume('receiver', kilogram(nameplateKg)) : knownVolume(cubicMetre(volume.m3), volume.known),
      composition,
      kelvin(practice.hottestK),
      { share: practice.partShare, keptShare: practice.keptShare, hottest: practice.hottestK },
    ),

  plan: ({ system, composition, flammable, look, practice, method }: PlanArgs): PlanAnswer => {
    const known = recordedSystem(system, composition, flammable);
    const standingPressure = look.standingPressure === undefined ? undefined : pascal(look.standingPressure);
    const plan = planFor(known, inUnits(look), practice);
    const { conditions, decision, contradictions, lineKg, weakest } = plan;
    // what somebody has chosen falls when it is not possible any more
    const taken = decision.verdicts.some((verdict) => verdict.method === method && permits(verdict)) ? method : decision.chosen;
    const { steps, estimate } = taken === undefined ? { steps: [], estimate: undefined } : stepsFor(plan, taken, known, practice);
    const { asFound, condenser, receiver, level } = conditions;
    const hosesTake =
      asFound.state === 'vapour-only' && standingPressure !== undefined
        ? fallByHoses(standingPressure, conditions.volume.likely, USUAL_HOSES)
        : undefined;
    return {
      decision,
      method: taken,
      asFound,
      content: plan.content,
      condenser,
      receiver,
      level,
      volume: conditions.volume,
      trial: trialCriterion(conditions),
      contradictions,
      lineKg,
      steps,
      estimate,
      hosesTake,
      weakest,
    };
  },
};
