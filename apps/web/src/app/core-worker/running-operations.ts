import type { Conditions } from '@hygromet/core/cycle/conditions';
import type { Readings } from '@hygromet/core/cycle/cycle-readings';
import { expectedToday, type Expected } from '@hygromet/core/cycle/expected-today';
import { cloudOf } from '@hygromet/core/cycle/knowledge';
import { followedRun, type FollowedRun, type RunTraces } from '@hygromet/core/cycle/followed-run';
import { learnUnit } from '@hygromet/core/cycle/learn-unit';
import type { Composition } from '@hygromet/core/fluids/composition';
import { runningCheck, type RunningCheck } from '@hygromet/core/cycle/running-check';
import { seasonsOf, type SeasonRow, type SeasonTask } from '@hygromet/core/cycle/seasons';
import type { UnitPlate } from '@hygromet/core/cycle/unit';

export interface RunningArgs {
  readonly plate: UnitPlate;
  readonly conditions: Conditions;
  readonly readings: Readings;
  readonly settled: boolean;
  /** Earlier visits on which it was charged by weight and ran well, the oldest first. */
  readonly good: readonly { readonly conditions: Conditions; readonly readings: Readings }[];
}

export interface RunningAnswer extends RunningCheck {
  /** How many visits it has learned from. */
  readonly learnedFrom: number;
}

export interface TodayArgs {
  readonly plate: UnitPlate;
  readonly conditions: Conditions;
}

export interface FollowedArgs {
  readonly composition: Composition;
  readonly traces: RunTraces;
}

export const runningOperations = {
  /** A running unit as its instruments have followed it. */
  followedRun: ({ composition, traces }: FollowedArgs): FollowedRun => followedRun(composition, traces),

  /** The checks of one unit, each against its own day. */
  seasons: ({ checks }: { readonly checks: readonly SeasonTask[] }): readonly SeasonRow[] => seasonsOf(checks),

  /** What a good unit of this plate should read; nothing where it has no steady state there. */
  today: ({ plate, conditions }: TodayArgs): Expected | null => expectedToday(cloudOf(plate), conditions) ?? null,

  runningCheck: ({ plate, conditions, readings, settled, good }: RunningArgs): RunningAnswer => {
    let [knowledge, learnedFrom] = [undefined as ReturnType<typeof learnUnit>, 0];
    for (const current of good) {
      const learned = learnUnit(plate, current.conditions, current.readings, knowledge);
      if (learned === undefined) continue;
      [knowledge, learnedFrom] = [learned, learnedFrom + 1];
    }
    return { ...runningCheck({ plate, conditions, readings, settled, knowledge }), learnedFrom };
  },
};
