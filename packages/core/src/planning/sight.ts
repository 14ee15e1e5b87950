import { pascal, type Pascal } from '../units/quantity';
import costs from './method-costs.json';
import data from './sights.json';
import type { JobConditions } from './job-conditions';

/** Something to see or to read before what rests on it is allowed. */
export type Sight = keyof typeof data.minutes;
export const sights = Object.keys(data.minutes) as readonly Sight[]; // in the order of the table: the cheapest first

export const minutesToSee = (sight: Sight): number => data.minutes[sight];

/** The cheapest of them. */
export const cheapestOf = (some: readonly Sight[]): Sight | undefined => sights.find((sight) => some.includes(sight));

/** By what a pump-down trial is judged: the suction falls so far within so long, and then holds. */
export interface TrialCriterion {
  /** Pa absolute. */
  readonly falls: Pascal;
  readonly withinMinutes: number;
  readonly holdMinutes: number;
}

/** Common practice: a pump-down ends between 0 and 2 psig. */
export const SLIGHTLY_POSITIVE = 7000;

export function trialCriterion({ content, atmosphere }: Pick<JobConditions, 'content' | 'atmosphere'>): TrialCriterion {
  const { leastMinutes, timesLonger, holdMinutes } = data.trial;
  const withinMinutes = Math.ceil(Math.max(leastMinutes, (timesLonger * content.likely) / costs.pumpDownKgPerMinute));
  return { falls: pascal(atmosphere + SLIGHTLY_POSITIVE), withinMinutes, holdMinutes };
}
