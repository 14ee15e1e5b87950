import type { Method } from '@hygromet/core/planning/method';
import type { Sight, TrialCriterion } from '@hygromet/core/planning/sight';
import type { Units } from '../preferences/units.service';

/** What to see next, as an order. */
export function sightTitle(sight: Sight, method: Method | undefined): string {
  switch (sight) {
    case 'standing-pressure':
      return $localize`Read the standing pressure`;
    case 'both-sides':
      return $localize`Read zero on both sides`;
    case 'water-flows':
      return $localize`Check the water flow`;
    case 'as-installed':
      return $localize`Compare the unit with its drawing`;
    case 'part-volume':
      return $localize`Read the capacity of the ${method === 'pump-down-receiver' ? $localize`receiver` : $localize`condenser`}`;
    case 'compressor-runs':
      return $localize`Start the compressor`;
    case 'held-in-cooling':
      return $localize`Force it into cooling`;
    case 'valves-hold':
      return $localize`Try a pump-down`;
    case 'leak-found':
      return $localize`Find the leak`;
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
      return $localize`It tells whether there is liquid, only vapor, air, or nothing. Read both sides.`;
    case 'both-sides':
      return $localize`Each side with its own gauge: a shut valve, a solenoid or a metering device may hide a charge on the other. Then say so above.`;
    case 'water-flows':
      return $localize`Pump in hand mode, flow switch made, pressure drop across the exchanger. Without flow the tubes freeze and burst within seconds.`;
    case 'as-installed':
      return $localize`Valves, ports, receiver, and what cools the condenser: what is on record is what such a unit usually has, or what somebody said of it.`;
    case 'part-volume':
      return $localize`From its plate, in volume, or from the maker’s data; record it with the system.`;
    case 'compressor-runs':
      return $localize`Within a minute the head rises, the suction falls, and the current stays below the rated load amps.`;
    case 'held-in-cooling':
      return $localize`By the unit’s own service mode; the suction line gets cold, the liquid line warm.`;
    case 'valves-hold':
      return $localize`Running, shut the liquid side: suction must fall to ${tell.pressure(falls)} within about ${tell.decimal(withinMinutes, 0)} min. Then shut the suction side, stop it, and it must hold for ${tell.decimal(holdMinutes, 0)} min.`;
    case 'leak-found':
      return $localize`Detector and soap at joints and coils: a part that stays under charge cannot be opened.`;
    default:
      return sight satisfies never;
  }
}
