import data from './stop-alarm.json';

export const alarmStages = ['quiet', 'soon', 'now', 'over'] as const;
export type AlarmStage = (typeof alarmStages)[number];

export interface StopQuestion {
  readonly stopKg: number;
  readonly grossKg: number;
  /** kg/s by the person's clock. */
  readonly rateKgPerS: number;
  /** A machine and its hose still give what they hold when the valve is shut. */
  readonly machine: boolean;
}

export interface StopAlarm {
  /** Gross at which a person has to begin to shut the valve. */
  readonly closeAtKg: number;
  readonly stage: AlarmStage;
  /** s until then at this rate; nothing while nothing flows. */
  readonly secondsLeft: number | undefined;
}

/** s from the reading that calls for it until nothing flows any more: hand, valve, scale. */
export const LEAD_S = data.reactionS + data.valveS + data.scaleLagS;

/**
 * When to shut the valve, so that the scale comes to rest at the stop: the stop less what passes until the valve is shut, and less what
 * machine and hose still hold. Never later than the stop itself, whatever the rate.
 */
export function stopAlarm({ stopKg, grossKg, rateKgPerS, machine }: StopQuestion): StopAlarm {
  const rate = Math.max(0, rateKgPerS);
  const closeAtKg = stopKg - rate * LEAD_S - data.heldKg[machine ? 'machine' : 'none'];
  const secondsLeft = rate > 0 ? (closeAtKg - grossKg) / rate : undefined;
  const soon = secondsLeft !== undefined && secondsLeft < data.soonS;
  const stage = grossKg > stopKg ? 'over' : grossKg >= closeAtKg ? 'now' : soon ? 'soon' : 'quiet';
  return { closeAtKg, stage, secondsLeft };
}

/** s after an answer until which what still comes over belongs to it. */
export const ANSWERED_WITHIN_S = data.answered.withinS;

/** Whether the valve is open although somebody answered: more came over since than hand, valve and scale explain, all in kg. */
export const stillComes = (grossKg: number, answeredGrossKg: number, shutGrossKg: number): boolean =>
  grossKg > Math.max(answeredGrossKg, shutGrossKg) + data.answered.stillComesKg;
