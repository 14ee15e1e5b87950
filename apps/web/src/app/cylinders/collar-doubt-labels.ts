import { collarDoubts, type CollarDoubt } from '@hygromet/core/cylinder/collar-doubts';
import type { Units } from '../preferences/units.service';
import { readQuantity, type QuantityEntry } from '../ui/quantity-entry';

/** What of a collar that is typed hardly stands on one; nothing while a figure is missing. */
export function doubtsOf({
  volume,
  tare,
  service,
}: Readonly<Record<'volume' | 'tare' | 'service', QuantityEntry>>): readonly CollarDoubt[] {
  const [volumeM3, tareKg, servicePa] = [
    readQuantity('volume', volume),
    readQuantity('mass', tare),
    readQuantity('service-pressure', service),
  ];
  if (volumeM3.state !== 'good' || tareKg.state !== 'good' || servicePa.state !== 'good') return [];
  return collarDoubts({ volumeM3: volumeM3.si, tareKg: tareKg.si, servicePressurePa: servicePa.si });
}

export function collarDoubtText(doubt: CollarDoubt, tell: Pick<Units, 'massText'>): string {
  switch (doubt.code) {
    case 'nominal-size':
      return `${doubt.pounds} lb is a size cylinders are sold under. The water capacity is stamped as WC, and is less: filled by the nominal size, a cylinder is overfilled.`;
    case 'swapped':
      return 'Water capacity and tare look exchanged: WC is the capacity, TW the tare.';
    case 'tare-unusual':
      return `A cylinder of this capacity and class usually weighs ${tell.massText(doubt.leastKg)} to ${tell.massText(doubt.mostKg)} empty. Read TW, WC and their units again.`;
    case 'service-low':
      return 'That service pressure is low for a refrigerant cylinder: such as 400 psi of 4BA400. Check its unit.';
    default:
      return doubt satisfies never;
  }
}
