import type { Circuit } from '@hygromet/core/circuit/circuit';
import { exchangerOf } from '@hygromet/core/circuit/exchanger';
import type { Part } from '@hygromet/core/circuit/part';
import { partNames } from '../systems/system-labels';
import type { DrawnPart } from './circuit-layout';

/** In the drawing there is no room for more; read aloud they have their whole names. */
const shortParts: Partial<Record<Part, string>> = { 'outdoor-metering': $localize`Outdoor metering` };
/** With water on its other side, which is not drawn. */
const shortExchangers = { barrel: $localize`Barrel`, coaxial: $localize`Coaxial`, 'water-cooled': partNames.condenser } as const;
/** Of several, with their number. */
const severalParts: Partial<Record<Part, string>> = { metering: $localize`Metering` };

/** What stands beside a part in the drawing: of several alike with their number. */
export function drawnName(circuit: Circuit, { part, id, count }: Pick<DrawnPart, 'part' | 'id' | 'count'>): string {
  const exchanger = exchangerOf(circuit, id);
  if (exchanger !== 'coil') return shortExchangers[exchanger];
  return count > 1 ? `${severalParts[part] ?? partNames[part]} × ${count}` : (shortParts[part] ?? partNames[part]);
}
