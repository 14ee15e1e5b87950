import type { CylinderEvent } from '@hygromet/contract/cylinder-event';
import type { Place } from '@hygromet/contract/cylinder';
import type { CylinderKind } from '@hygromet/core/cylinder/cylinder-kind';
import type { AirCheck } from '@hygromet/core/readings/air-check';
import { pressureIn, STANDARD_ATMOSPHERE } from '@hygromet/core/units/pressure';
import type { Units } from '../preferences/units.service';
import { monthText, placeNames } from './cylinder-labels';
import { cylinderKindNames } from './objection-labels';

/** What the server keeps of an event, as far as it is told. */
interface Detail {
  readonly pressurePa?: number;
  readonly gauge?: string;
  readonly temperatureK?: number;
  readonly check?: AirCheck;
  readonly place?: Place;
  readonly stamp?: string;
  readonly tareKg?: number;
  readonly collarKg?: number;
  readonly refrigerant?: string | null;
  readonly kind?: CylinderKind;
  readonly marks?: { readonly kind: CylinderKind; readonly owner?: string; readonly flammableRated: boolean };
  readonly reason?: string;
  readonly grossKg?: number;
  readonly differsKg?: number;
  readonly difference?: { readonly is: 'none' | 'booked' } | { readonly is: 'explained'; readonly reason: string };
}

/** An event in one line. */
export function eventText({ what, detail }: CylinderEvent, units: Units): string {
  const current = detail as Detail; // written by the server from the contract's own schemas
  switch (what) {
    case 'evacuated':
      return $localize`evacuated, held at ${units.decimal(pressureIn(current.pressurePa ?? 0, 'micron', STANDARD_ATMOSPHERE), 0)} microns on ${current.gauge ?? 'a gauge'}`;
    case 'air-checked':
      return $localize`checked for air at ${units.pressure(current.pressurePa ?? 0)} and ${units.temperature(current.temperatureK ?? 0)}\: ${current.check === undefined ? '' : findingText(current.check, units)}`;
    case 'moved':
      return $localize`moved: ${current.place === undefined ? '' : placeNames[current.place].toLowerCase()}`;
    case 'requalified':
      return $localize`requalified, stamped ${monthText(current.stamp ?? '')}`;
    case 'tare-weighed':
      return $localize`weighed empty: ${units.massText(current.tareKg ?? 0)}, its collar says ${units.massText(current.collarKg ?? 0)}`;
    case 'relabelled':
      return $localize`labeled anew: ${current.refrigerant ?? $localize`no refrigerant yet`}, ${current.kind === undefined ? '' : cylinderKindNames[current.kind].toLowerCase()}`;
    case 'weighed-in':
      return $localize`weighed in: ${units.massText(current.grossKg ?? 0)} gross${differenceText(current, units)}`;
    case 'described':
      return $localize`marks: ${current.marks === undefined ? '' : [cylinderKindNames[current.marks.kind].toLowerCase(), current.marks.owner, current.marks.flammableRated ? $localize`rated for flammables` : undefined].filter(Boolean).join(', ')}`;
    case 'retired':
      return $localize`out of use: ${current.reason ?? ''}`;
    default:
      return what satisfies never;
  }
}

function differenceText({ differsKg = 0, difference = { is: 'none' } }: Detail, units: Units): string {
  if (difference.is === 'none') return $localize`, as the ledger says`;
  const off = $localize`${units.massText(Math.abs(differsKg))} ${differsKg > 0 ? $localize`more` : $localize`less`} than the ledger`;
  return difference.is === 'explained' ? `, ${off}: ${difference.reason}` : $localize`, ${off}, logged as unaccounted`;
}

function findingText({ finding, likely }: AirCheck, units: Units): string {
  const found = {
    air: $localize`${units.decimal(likely * 100, 1)} % air`,
    clean: $localize`no more air than allowed`,
    'cannot-tell': $localize`not decided`,
    below: $localize`below saturation pressure`,
  } as const;
  return found[finding];
}
