import { locale } from '../language/locale';
import type { Cylinder, CylinderFlag, Place } from '@hygromet/contract/cylinder';
import { isUnknown } from '@hygromet/core/cylinder/unknown-content';
import { isFull } from '@hygromet/core/cylinder/full';
import type { Units } from '../preferences/units.service';
import { tareOf } from './gross-tare';

export const placeNames: Record<Place, string> = {
  van: $localize`Van`,
  workshop: $localize`Workshop`,
  site: $localize`On site`,
  reclaimer: $localize`At the reclaimer`,
};

/** Flags that a person has to act on; the others inform. */
export const graveFlags: readonly CylinderFlag[] = [
  'overfilled',
  'mixed',
  'overdue',
  'pressure-rating-too-low',
  'negative-balance',
  'non-condensables',
  'wrong-tare',
  'collar-unconfirmed',
  'no-limit',
];

export const needsALook = ({ flags }: Cylinder): boolean => flags.some((flag) => graveFlags.includes(flag));

/** So full that it goes in rather than on. */
export const isFilled = ({ contentKg, tareKg, fillStatus }: Cylinder): boolean =>
  fillStatus.state === 'limited' && isFull(contentKg, fillStatus.limitGrossKg - tareKg);

/** The gravest thing about a cylinder, in a few words; otherwise how it stands. */
export function stateWords(cylinder: Cylinder, units: Units): { readonly text: string; readonly grave: boolean } {
  const [flag] = cylinder.flags;
  if (flag !== undefined) return { text: flagWords(flag, cylinder, units), grave: graveFlags.includes(flag) };
  if (cylinder.contentKg > 0) return { text: units.massText(cylinder.contentKg), grave: false };
  return {
    text: cylinder.evacuatedAt === null ? $localize`not evacuated` : $localize`evacuated ${dayText(cylinder.evacuatedAt)}`,
    grave: false,
  };
}

function flagWords(flag: CylinderFlag, cylinder: Cylinder, units: Units): string {
  switch (flag) {
    case 'overfilled':
      return $localize`overfilled by ${units.massText(overfilledBy(cylinder), 'up')}`;
    case 'mixed':
      return isUnknown(cylinder.composition ?? {})
        ? $localize`not identified`
        : $localize`mixed: ${Object.keys(cylinder.composition ?? {}).join(', ')}`;
    case 'overdue':
      return $localize`requalification due since ${monthText(cylinder.validThrough)}`;
    case 'due-soon':
      return $localize`requalification due ${monthText(cylinder.validThrough)}`;
    case 'pressure-rating-too-low':
      return $localize`pressure class too low`;
    case 'negative-balance':
      return $localize`ledger below zero: weigh it`;
    case 'non-condensables':
      return $localize`${units.percent(cylinder.airShare ?? 0)} non-condensables`;
    case 'wrong-tare':
      return $localize`tare differs from its collar`;
    case 'collar-unconfirmed':
      return $localize`unusual collar data: read it again`;
    case 'overdue-for-return':
      return $localize`full since ${dayText(cylinder.lastMovedAt ?? '')}`;
    case 'no-limit':
      return $localize`no fill limit`;
    default:
      return flag satisfies never;
  }
}

/** kg beyond its limit. */
export const overfilledBy = ({ contentKg, tareKg, tareWeighedKg, fillStatus }: Cylinder): number =>
  fillStatus.state === 'limited' ? contentKg - (fillStatus.limitGrossKg - tareOf({ tareKg, tareWeighedKg })) : 0;

/** "2026-08" as stamped: 08-26. */
export const monthText = (month: string): string => `${month.slice(5)}-${month.slice(2, 4)}`;

const day = new Intl.DateTimeFormat(locale(), { day: 'numeric', month: 'short' });
export const dayText = (instant: string): string => day.format(new Date(instant));
/** What is in it, by its label. */
export const contentName = ({ refrigerant, composition, flags, contentKg }: Cylinder): string => {
  if (isUnknown(composition ?? {})) return $localize`unknown`;
  if (flags.includes('mixed')) return $localize`mixture`;
  return refrigerant ?? (contentKg > 0 ? $localize`unknown` : $localize`empty`);
};
