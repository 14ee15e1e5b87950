import type { PullDownSetUp } from '@hygromet/contract/visit-test';
import type { Part } from '@hygromet/core/circuit/part';
import type { PartLimit } from '@hygromet/core/circuit/weakest-part';
import type { Composition } from '@hygromet/core/fluids/composition';
import { judgeHold, type HoldResult } from '@hygromet/core/proof/hold';
import { nitrogenSupply, type Supply, type SupplyTask } from '@hygromet/core/proof/nitrogen-supply';
import { holdLimits, nitrogenPerYear, type HoldLimit } from '@hygromet/core/proof/hold-limit';
import { refrigerantPerNitrogen } from '@hygromet/core/proof/leak-conversion';
import { carriedTo } from '@hygromet/core/proof/nitrogen';
import {
  betterRigs,
  dryPullDown,
  judgePullDown,
  type Better,
  type PullDownMeta,
  type PullDownReadings,
  type PullDownResult,
} from '@hygromet/core/proof/pull-down';
import { judgeRise, type RiseMeta, type RisePhase, type RiseResult } from '@hygromet/core/proof/rise';
import { testPressure, type TestPressure } from '@hygromet/core/proof/test-pressure';
import { PASCAL_PER_PSI, type HoldMeta, type HoldReadings } from '@hygromet/core/proof/trace';
import { NoTwoPhaseState } from '@hygromet/core/errors';
import { bubblePoint } from '@hygromet/core/thermo/saturation';
import { kelvin, pascal } from '@hygromet/core/units/quantity';
import { unless } from '@hygromet/core/unless';
import { celsius } from '@hygromet/core/units/temperature';
import { pullDownMetaOf } from '../visit/prove/pull-down-trace';

export interface TestPressureArgs {
  readonly limits: readonly PartLimit[];
  readonly apart: readonly Part[];
  readonly T: number;
  readonly hottestK: number;
  readonly gaugeError: number;
  readonly atmosphere: number;
}

export interface HoldLimitArgs {
  readonly meta: HoldMeta;
  readonly durationsS: readonly number[];
  readonly composition: Composition;
}

/** kg in a year, the least and the most. */
export type YearlySpan = readonly [number, number];

export interface SeenLimit extends HoldLimit {
  readonly refrigerantKgPerYear: YearlySpan;
}

export interface HoldArgs {
  readonly meta: HoldMeta;
  readonly readings: HoldReadings;
  readonly tightTo: number;
  readonly composition: Composition;
}

export interface HoldAnswer {
  readonly result: HoldResult;
  /** Each reading carried to the temperature of the first, psig: what is left of its fall when the cold is taken out. */
  readonly compensatedPsig: readonly number[];
  readonly perYear: YearlySpan;
  /** Of the leak that is excluded, kg of refrigerant a year. */
  readonly excludedPerYear: YearlySpan;
}

export interface RiseArgs {
  readonly meta: RiseMeta;
  readonly phases: readonly RisePhase[];
  readonly leakAbove: number;
}

export interface PullDownArgs {
  readonly meta: PullDownMeta;
  readonly readings: PullDownReadings;
}

export type PullDownPlanArgs = Omit<PullDownSetUp, 'test'>;
export interface StandingArgs {
  readonly composition: Composition;
  readonly T: number;
}

export interface PullDownPlan {
  readonly targets: readonly { readonly micron: number; readonly s: number | null }[];
  readonly better: readonly Better[];
}
const TARGETS = [1000, 500, 250];

export const proofOperations = {
  pullDownPlan: (plan: PullDownPlanArgs): PullDownPlan => {
    const meta = pullDownMetaOf(plan);
    return { targets: TARGETS.map((micron) => ({ micron, s: dryPullDown(meta, micron) })), better: betterRigs(meta) };
  },

  pullDown: ({ meta, readings }: PullDownArgs): PullDownResult => judgePullDown(meta, readings),

  /** Null where no limit is recorded: no pressure is known to be safe then. */
  testPressure: ({ T, hottestK, atmosphere, ...task }: TestPressureArgs): TestPressure | null =>
    testPressure({ ...task, T: kelvin(T), hottest: kelvin(hottestK), atmosphere: pascal(atmosphere) }) ?? null,

  /** Pa at which a charge with liquid in it stands; null where it has none. */
  standing: ({ composition, T }: StandingArgs): number | null =>
    unless(NoTwoPhaseState, () => bubblePoint(composition, kelvin(T)).p) ?? null,

  nitrogenSupply: (task: SupplyTask): Supply => nitrogenSupply(task),

  holdLimit: ({ meta, durationsS, composition }: HoldLimitArgs): readonly SeenLimit[] =>
    holdLimits(meta, durationsS).map((limit) => ({ ...limit, refrigerantKgPerYear: yearly(limit.nitrogenKgPerYear, meta, composition) })),

  hold: ({ meta, readings, tightTo, composition }: HoldArgs): HoldAnswer => {
    const result = judgeHold(meta, readings, tightTo);
    return {
      result,
      compensatedPsig: compensated(meta, readings),
      perYear: yearly(nitrogenPerYear(result.lossPerHour, meta), meta, composition),
      excludedPerYear: yearly(nitrogenPerYear(Number.isFinite(result.excludesAbove) ? result.excludesAbove : 0, meta), meta, composition),
    };
  },

  rise: ({ meta, phases, leakAbove }: RiseArgs): RiseResult => judgeRise(meta, phases, leakAbove),
};

function yearly(nitrogenKg: number, meta: HoldMeta, composition: Composition): YearlySpan {
  const { low, high } = refrigerantPerNitrogen(composition, pascal(meta.barometerPa + meta.setPressurePsig * PASCAL_PER_PSI));
  return [low * nitrogenKg, high * nitrogenKg];
}

function compensated({ barometerPa, thermometers }: HoldMeta, { pressurePsig, airC, pipeC }: HoldReadings): readonly number[] {
  const temperatures = thermometers.includes('pipe') && pipeC !== undefined ? pipeC : airC;
  const first = celsius(temperatures[0] ?? 20);
  return pressurePsig.map((psig, k) => {
    const p = pascal(barometerPa + psig * PASCAL_PER_PSI);
    return (carriedTo(p, celsius(temperatures[k]!), first) - barometerPa) / PASCAL_PER_PSI;
  });
}
