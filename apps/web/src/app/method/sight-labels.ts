import type { Method } from '@hygromet/core/planning/method';
import type { Sight, TrialCriterion } from '@hygromet/core/planning/sight';
import type { Units } from '../preferences/units.service';

/** What to see next, as an order. */
export function sightTitle(sight: Sight, method: Method | undefined): string {
  switch (sight) {
    case 'standing-pressure':
      return 'Read the standing pressure';
    case 'both-sides':
      return 'Read zero on both sides';
    case 'water-flows':
      return 'Check the water flow';
    case 'as-installed':
      return 'Compare the unit with its drawing';
    case 'part-volume':
      return `Read the capacity of the ${method === 'pump-down-receiver' ? 'receiver' : 'condenser'}`;
    case 'compressor-runs':
      return 'Start the compressor';
    case 'held-in-cooling':
      return 'Force it into cooling';
    case 'valves-hold':
      return 'Try a pump-down';
    case 'leak-found':
      return 'Find the leak';
    default:
      return sight satisfies never;
  }
}

/** How it is seen, and by what it is judged. */
export function sightCriterion(
  sight: Sight,
  { falls, withinMinutes, holdMinutes }: TrialCriterion,
  tell: Pick<Units, 'pressure' | 'decimal'>,
): string {
  switch (sight) {
    case 'standing-pressure':
      return 'It tells whether there is liquid, only vapor, air, or nothing. Read both sides.';
    case 'both-sides':
      return 'Each side with its own gauge: a shut valve, a solenoid or a metering device may hide a charge on the other. Then say so above.';
    case 'water-flows':
      return 'Pump in hand mode, flow switch made, pressure drop across the exchanger. Without flow the tubes freeze and burst within seconds.';
    case 'as-installed':
      return 'Valves, ports, receiver, and what cools the condenser: what is on record is what such a unit usually has, or what somebody said of it.';
    case 'part-volume':
      return 'From its plate, in volume, or from the maker’s data; record it with the system.';
    case 'compressor-runs':
      return 'Within a minute the head rises, the suction falls, and the current stays below the rated load amps.';
    case 'held-in-cooling':
      return 'By the unit’s own service mode; the suction line gets cold, the liquid line warm.';
    case 'valves-hold':
      return `Running, shut the liquid side: suction must fall to ${tell.pressure(falls)} within about ${tell.decimal(withinMinutes, 0)} min. Then shut the suction side, stop it, and it must hold for ${tell.decimal(holdMinutes, 0)} min.`;
    case 'leak-found':
      return 'Detector and soap at joints and coils: a part that stays under charge cannot be opened.';
    default:
      return sight satisfies never;
  }
}
