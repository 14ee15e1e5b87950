import { NoTwoPhaseState } from '../errors';
import type { Composition } from '../fluids/composition';
import { bubblePoint } from '../thermo/saturation';
import { kelvin, pascal, type Pascal } from '../units/quantity';
import { unless } from '../unless';
import data from './pump-down.json';

export interface PumpDownReading {
  /** s since the compressor drew with the liquid valve shut. */
  readonly t: number;
  /** Pa absolute. */
  readonly suction: number;
  /** Pa absolute; nothing where nobody reads it. */
  readonly head?: number | undefined;
}

/**
 * `drawing`: on its way; `head-high`: the head is near the switch that protects it, and no more goes into the condenser; `stalls`: the suction
 * does not fall any more above the end; `head-unread`: at the end or below, and nobody has read what the condenser bears; `reached`: both are in order.
 */
export const pumpDownVerdicts = ['drawing', 'head-high', 'stalls', 'head-unread', 'reached'] as const;
export type PumpDownVerdict = (typeof pumpDownVerdicts)[number];

export interface PumpDown {
  readonly verdict: PumpDownVerdict;
  readonly suction: Pascal;
  readonly head: Pascal | undefined;
  /** s that were read. */
  readonly watchedS: number;
}

/** Pa absolute at which a high-pressure switch opens whose setting nobody knows; of what has no liquid so warm there is no usual one. */
export const usualHighSwitch = (composition: Composition): Pascal | undefined =>
  unless(NoTwoPhaseState, () => bubblePoint(composition, kelvin(data.cutOutK.value)).p);

/**
 * How a pump-down goes. A head that is too high comes first: it bursts what the suction never would.
 * @param readings in the order of their time, at least one
 * @param end Pa absolute at which the suction valve is shut
 * @param highSwitch Pa absolute at which the high-pressure switch opens
 */
export function pumpDown(readings: readonly PumpDownReading[], end: Pascal, highSwitch: Pascal): PumpDown {
  const [first, last] = [readings[0], readings.at(-1)];
  if (first === undefined || last === undefined) throw new RangeError('a pump-down without a reading');
  const head = readings.findLast((reading) => reading.head !== undefined)?.head;
  return {
    verdict: verdictOf(readings, last, head, end, highSwitch),
    suction: pascal(last.suction),
    head: head === undefined ? undefined : pascal(head),
    watchedS: last.t - first.t,
  };
}

function verdictOf(
  readings: readonly PumpDownReading[],
  last: PumpDownReading,
  head: number | undefined,
  end: Pascal,
  highSwitch: Pascal,
): PumpDownVerdict {
  if (head !== undefined && head > data.nearCutOutShare * highSwitch) return 'head-high';
  if (last.suction <= end) return head === undefined ? 'head-unread' : 'reached';
  const { withinS, fallsByShare } = data.stalls;
  const before = readings.findLast(({ t }) => t <= last.t - withinS);
  return before !== undefined && before.suction - last.suction < fallsByShare * (before.suction - end) ? 'stalls' : 'drawing';
}
