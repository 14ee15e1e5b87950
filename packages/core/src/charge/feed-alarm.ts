import { stopAlarm, type StopAlarm } from '../twin/alarm/stop-alarm';
import { feedingRules } from './feeding';

export interface FeedQuestion {
  /** kg that are still to go in. */
  readonly leftKg: number;
  /** kg that have left the cylinder since. */
  readonly fedKg: number;
  /** kg/s that leave it, by the person's clock. */
  readonly rateKgPerS: number;
}

/**
 * When to shut the valve of the cylinder, so that the charge comes to rest at its target: the target less what passes until the valve is
 * shut, and less what the hose still holds. `closeAtKg` is of what was fed. Never later than the target itself, whatever the rate.
 */
export const feedAlarm = ({ leftKg, fedKg, rateKgPerS }: FeedQuestion): StopAlarm => {
  const { closeAtKg, stage, secondsLeft } = stopAlarm({
    stopKg: leftKg - feedingRules.shutByHandKg,
    grossKg: fedKg,
    rateKgPerS,
    machine: false,
  });
  // above its own stop is not above the charge yet: the hose's part may still come
  return { closeAtKg, secondsLeft, stage: stage === 'over' && fedKg <= leftKg ? 'now' : stage };
};
