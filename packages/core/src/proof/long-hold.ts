import { LONG_HOLD_S } from './hold-model';
import { usualHold } from './usual-test';

/** What is done before a system is left alone under nitrogen, in this order. Common practice. */
export const leavingSteps = ['settled', 'clamp', 'shade', 'regulator-off', 'tag', 'readings'] as const;
export type LeavingStep = (typeof leavingSteps)[number];

export interface LeavingFacts {
  /** s since it was filled. */
  readonly waitedS: number;
  readonly clamp: boolean;
  /** Readings that were taken so far. */
  readonly readings: number;
  /** Instruments read it while nobody is there. */
  readonly followed: boolean;
}

export interface Leaving {
  readonly step: LeavingStep;
  /** Whether the record shows it; what no record can show stays for a person to see to. */
  readonly state: 'done' | 'to-do' | 'by-hand';
}

/** Readings at the start without which the end says nothing: the level they make is what the fall is measured from. */
const LEAST_AT_START = 4;

export function beforeLeaving({ waitedS, clamp, readings, followed }: LeavingFacts): readonly Leaving[] {
  const shown = (is: boolean) => (is ? ('done' as const) : ('to-do' as const));
  const states: Record<LeavingStep, Leaving['state']> = {
    settled: shown(waitedS >= usualHold.waitS),
    clamp: shown(clamp),
    shade: 'by-hand',
    'regulator-off': 'by-hand',
    tag: 'by-hand',
    readings: shown(followed || readings >= LEAST_AT_START),
  };
  return leavingSteps.map((step) => ({ step, state: states[step] }));
}

/** Over a night or a weekend nobody can guess how hot it gets: it has to be said before a limit is carried to it. */
export const hottestMustBeSaid = (durationS: number): boolean => durationS > LONG_HOLD_S;
