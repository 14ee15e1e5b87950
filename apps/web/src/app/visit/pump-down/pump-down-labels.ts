import type { PumpDown } from '@hygromet/core/planning/pump-down';
import type { Units } from '../../preferences/units.service';

/** What a pump-down shows, in one sentence with its numbers. @param end Pa absolute */
export function pumpDownText({ verdict, suction, head }: PumpDown, end: number, tell: Pick<Units, 'pressure'>): string {
  const [at, to] = [tell.pressure(suction), tell.pressure(end)];
  const unread = head === undefined ? $localize` Nobody has read the head: look at it.` : '';
  switch (verdict) {
    case 'head-high':
      return $localize`The head stands at ${tell.pressure(head ?? 0)}\: the condenser is full, or gets no air. Open the liquid valve again, stop, and recover what is too much.`;
    case 'reached':
      return $localize`The suction is down to ${at}\: shut its valve, then stop the compressor.`;
    case 'head-unread':
      return $localize`The suction is down to ${at}\: shut its valve, then stop the compressor. Nobody has read the head: read it and add it, before anything is opened.`;
    case 'stalls':
      return $localize`The suction stands at ${at} and falls no further: a valve that passes, a worn compressor, or liquid left behind. Stop it, and recover the rest.${unread}`;
    case 'drawing':
      return $localize`It draws: ${at}, down to ${to}. Stay at the suction valve.${unread}`;
    default:
      return verdict satisfies never;
  }
}
