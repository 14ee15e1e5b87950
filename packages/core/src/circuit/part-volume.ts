import { cubicMetre, type CubicMetre, type Kilogram } from '../units/quantity';
import table from './part-volumes.json';

/** A volume and how well it is known. */
export interface PartVolume {
  readonly low: CubicMetre;
  readonly likely: CubicMetre;
  readonly high: CubicMetre;
  readonly known: 'measured' | 'plate' | 'estimated';
}

export type PartWithVolume = 'condenser' | 'receiver' | 'evaporator' | 'accumulator' | 'compressor' | 'circuit';

const LITRE = 1e-3;

/** A volume that was measured or stands on the plate. */
export const knownVolume = (value: CubicMetre, known: 'measured' | 'plate'): PartVolume => ({
  low: value,
  likely: value,
  high: value,
  known,
});

/**
 * The volume of a part, or of the whole circuit, by the full charge of its system, with its range: nothing to rely on without a margin.
 * By the plate, never by what is left: a circuit does not shrink as it leaks.
 */
export function estimatedVolume(part: PartWithVolume, charge: Kilogram): PartVolume {
  const { low, likely, high } = table[part];
  const of = (litresPerKilogram: number) => cubicMetre(litresPerKilogram * LITRE * charge);
  return { low: of(low), likely: of(likely), high: of(high), known: 'estimated' };
}
