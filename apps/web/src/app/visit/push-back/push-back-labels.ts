import { usualTransfer } from '@hygromet/core/twin/usual-transfer';
import type { PushedBack } from '@hygromet/core/twin/pushed-back';
import type { Units } from '../../preferences/units.service';

type Telling = Pick<Units, 'decimal' | 'massText' | 'pressure'>;

/** How a charge goes in by itself. */
export function byItselfText({ byItself: { isEnough, kg, s } }: PushedBack, tell: Telling): string {
  if (isEnough) return $localize`By pressure alone all of it goes over in ${minutes(s, tell)}.`;
  return kg < usualTransfer.least.kg
    ? $localize`The pressures are equal: no more goes over by itself.`
    : $localize`By pressure alone ${tell.massText(kg, 'down')} go over in ${minutes(s, tell)}; then the pressures are equal.`;
}

/** What the recovery machine does after that. @param from name of the cylinder */
export function byMachineText({ byMachine }: PushedBack, from: string, tell: Telling): string | undefined {
  if (byMachine === undefined) return undefined;
  const { ends, kg, s, head } = byMachine;
  switch (ends) {
    case 'enough':
      return $localize`The recovery machine pushes the rest over in ${minutes(s, tell)}, its head up to ${tell.pressure(head)}.`;
    case 'empty':
      return $localize`The recovery machine pushes ${tell.massText(kg, 'down')} more over in ${minutes(s, tell)}; then ${from} has no more to give. Purge what the machine holds into the system.`;
    case 'trips':
      return $localize`The recovery machine would trip on the way, at ${tell.pressure(head)}\: the liquid side fills up. Feed the rest with the system running.`;
    default:
      return ends satisfies never;
  }
}

/** How the machine stands between cylinder and system. */
export const machineBetweenText = $localize`Machine between them: suction on the liquid valve of the cylinder, discharge on the liquid side. Throttle its suction while liquid comes. At the call shut the cylinder, run the hose empty, then shut the system.`;
export const shutOffText = $localize`Never push into a part that is shut at both ends: liquid that has no room bursts it. See that every valve between condenser and evaporator is open.`;

const SECONDS_SHOWN = 90;
/** In minutes, or in seconds while they are few. */
function minutes({ least, most }: { readonly least: number; readonly most: number }, tell: Telling): string {
  const [unit, per] = most < SECONDS_SHOWN ? ['s', 1] : ['min', 60];
  const [low, high] = [least, most].map((value) => tell.decimal(Math.max(1, Math.ceil(value / per)), 0));
  return low === high ? $localize`about ${low} ${unit}` : $localize`${low} to ${high} ${unit}`;
}
