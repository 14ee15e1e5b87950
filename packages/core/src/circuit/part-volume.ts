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

/** Parts whose volume may stand in the record. */
export const partsWithVolume = ['condenser', 'receiver', 'evaporator', 'accumulator'] as const;
export type KnownVolumes = Partial<Record<(typeof partsWithVolume)[number], PartVolume>>;

/** The whole circuit: estimated by the plate, with what is known of its parts in place of what was assumed of them. */
export function circuitVolume(charge: Kilogram, known: KnownVolumes): PartVolume {
  let { low, likely, high } = estimatedVolume('circuit', charge) as { low: number; likely: number; high: number };
  let sum = 0;
  for (const part of partsWithVolume) {
    const partVolume = known[part];
    if (partVolume === undefined) continue;
    const assumed = estimatedVolume(part, charge);
    // a receiver or an accumulator comes to what a usual circuit has; condenser and evaporator were counted with it
    const counted = part === 'condenser' || part === 'evaporator';
    low += partVolume.low - (counted ? assumed.low : 0);
    likely += partVolume.likely - (counted ? assumed.likely : 0);
    high += partVolume.high - (counted ? assumed.high : 0);
    sum += partVolume.likely;
  }
  return {
    low: cubicMetre(Math.max(sum, low)),
    likely: cubicMetre(Math.max(sum, likely)),
    high: cubicMetre(Math.max(sum, high)),
    known: 'estimated',
  };
}
