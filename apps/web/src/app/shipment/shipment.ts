import type { Cylinder } from '@hygromet/contract/cylinder';
import { isUnknown } from '@hygromet/core/cylinder/unknown-content';
import { unNumber } from '@hygromet/core/compliance/shipping';
import { notShipped, type ShippingReason } from '@hygromet/core/compliance/carriage';
import { contentName, isFilled } from '../cylinders/cylinder-labels';
import { cylinderKindNames } from '../cylinders/objection-labels';

/** One cylinder of a shipment, kg. */
export interface ShipmentLine {
  readonly cylinder: Cylinder;
  readonly kind: string;
  readonly grossKg: number;
  readonly tareKg: number;
  readonly netKg: number;
  /** What the carrier or the reclaimer has to know. */
  readonly remark: string;
}

/** Cylinders of one content, which the reclaimer settles together. */
export interface ShipmentGroup {
  readonly content: string;
  /** "UN 3163", with the technical name where the entry is a collective one. */
  readonly un: string;
  readonly lines: readonly ShipmentLine[];
  readonly grossKg: number;
  readonly tareKg: number;
  readonly netKg: number;
}

export interface Shipment {
  readonly groups: readonly ShipmentGroup[];
  readonly grossKg: number;
  readonly netKg: number;
  /** Cylinders that must not leave as they are, with why. */
  readonly stopped: readonly { readonly name: string; readonly why: string }[];
}

/** Sorted by content and number; burnt-out and mixed refrigerant stand apart from clean. @param burns whether a refrigerant is flammable */
export function shipmentOf(cylinders: readonly Cylinder[], burns: (refrigerant: string) => boolean): Shipment {
  const names = [...new Set(cylinders.map(groupName))].sort((a, b) => a.localeCompare(b, undefined, { numeric: true }));
  const groups = names.map((content): ShipmentGroup => {
    const values = cylinders
      .filter((cylinder) => groupName(cylinder) === content)
      .sort((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }));
    const lines = values.map(lineOf);
    return { content, un: unText(values[0]!, burns), lines, ...sums(lines) };
  });
  return { groups, ...sums(groups), stopped: cylinders.flatMap(stoppedBy) };
}

const sums = (lines: readonly { readonly grossKg: number; readonly tareKg: number; readonly netKg: number }[]) => ({
  grossKg: lines.reduce((sum, { grossKg }) => sum + grossKg, 0),
  tareKg: lines.reduce((sum, { tareKg }) => sum + tareKg, 0),
  netKg: lines.reduce((sum, { netKg }) => sum + netKg, 0),
});

const groupName = (cylinder: Cylinder): string => {
  const { marks } = cylinder;
  const apart = marks.kind === 'burn-out' ? $localize`, burnout` : marks.kind === 'destruction' ? $localize`, for destruction` : '';
  return `${contentName(cylinder)}${apart}`;
};

const lineOf = (cylinder: Cylinder): ShipmentLine => ({
  cylinder,
  kind: cylinderKindNames[cylinder.marks.kind],
  grossKg: cylinder.tareKg + cylinder.contentKg,
  tareKg: cylinder.tareKg,
  netKg: cylinder.contentKg,
  remark: remarkOf(cylinder),
});

function remarkOf({ flags, composition, marks }: Cylinder): string {
  return [
    ...(flags.includes('overfilled') ? [$localize`OVERFILLED: not to be carried`] : []),
    ...(flags.includes('mixed') ? [Object.keys(composition ?? {}).join(' + ')] : []),
    ...(flags.includes('non-condensables') ? ['non-condensables'] : []),
    ...(flags.includes('overdue') ? [$localize`requalification due: empty it, do not refill`] : []),
    ...(marks.owner === undefined ? [] : [$localize`owner ${marks.owner}`]),
  ].join('; ');
}

function unText(cylinder: Cylinder, burns: (refrigerant: string) => boolean): string {
  const unknown = isUnknown(cylinder.composition ?? {});
  const mixed = !unknown && cylinder.flags.includes('mixed');
  const known = mixed || unknown ? undefined : (cylinder.refrigerant ?? undefined);
  // of a mixture the gravest part decides
  const parts = Object.keys(cylinder.composition ?? {});
  const flammable = mixed ? parts.some(burns) : known !== undefined && burns(known);
  const { number, name, class: division, collective } = unNumber(known, flammable);
  if (number === undefined) return `${known ?? ''}: ${name}`;
  const technical = collective ? ` (${mixed ? parts.join(', ') : (known ?? $localize`not identified`)})` : '';
  return $localize`UN ${number} ${name}${technical}, ${division}`;
}

const stops: Readonly<Record<ShippingReason, string>> = {
  overfilled: $localize`is overfilled: remove the excess before anybody carries it`,
  'pressure-rating-too-low': $localize`is of too low a pressure class for what is in it: move its content first`,
  'negative-balance': $localize`shows a negative balance – weigh it first`,
  empty: $localize`is empty on record: weigh it in, or leave it here`,
};

function stoppedBy(cylinder: Cylinder): readonly { readonly name: string; readonly why: string }[] {
  const reason = notShipped(cylinder);
  return reason === undefined ? [] : [{ name: cylinder.name, why: stops[reason] }];
}

/** Full, mixed, burnt-out or for destruction: what usually goes with the next shipment; nothing that must not be carried as it is. */
export const readyToGo = (cylinder: Cylinder): boolean => {
  const { retiredAt, place, flags, marks } = cylinder;
  if (retiredAt !== null || place === 'reclaimer' || marks.kind === 'virgin' || marks.kind === 'nitrogen') return false;
  if (stoppedBy(cylinder).length > 0) return false;
  return (
    isFilled(cylinder) ||
    flags.includes('mixed') ||
    flags.includes('overdue-for-return') ||
    marks.kind === 'burn-out' ||
    marks.kind === 'destruction'
  );
};
