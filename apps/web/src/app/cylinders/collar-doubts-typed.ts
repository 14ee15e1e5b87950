import { collarDoubts, type CollarDoubt } from '@hygromet/core/cylinder/collar-doubts';
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
