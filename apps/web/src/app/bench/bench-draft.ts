import { emptyEntry, type QuantityEntry } from '../ui/quantity-entry';
import type { Preferences } from '../preferences/preferences';

export interface MixturePart {
  readonly refrigerant: string | null;
  readonly mass: QuantityEntry;
}

/** Where a pressure and a temperature were measured: it decides what the pair means. */
export type MeasuredAt = 'rest' | 'suction' | 'liquid';

/** Everything typed on this page. */
export interface BenchDraft {
  readonly mode: 'one' | 'mixture';
  readonly refrigerant: string | null;
  readonly parts: readonly MixturePart[];
  /** What was touched last leads; the other follows. */
  readonly lead: 'temperature' | 'pressure';
  readonly temperature: QuantityEntry;
  readonly pressure: QuantityEntry;
  /** What the label says, to compare with. */
  readonly label: string | null;
  readonly measuredAt: MeasuredAt;
  readonly measuredPressure: QuantityEntry;
  readonly measuredTemperature: QuantityEntry;
}

export const newPart = (mass: string): MixturePart => ({ refrigerant: null, mass: emptyEntry(mass) });

export function newBenchDraft({ mass, temperature, pressure }: Preferences): BenchDraft {
  const scale = mass === 'kg' ? 'kg' : 'lb';
  return {
    mode: 'one',
    refrigerant: 'R-410A',
    parts: [newPart(scale), newPart(scale)],
    lead: 'temperature',
    temperature: { ...emptyEntry(temperature), text: temperature === 'F' ? '77' : '25' },
    pressure: emptyEntry(pressure),
    label: null,
    measuredAt: 'rest',
    measuredPressure: emptyEntry(pressure),
    measuredTemperature: emptyEntry(temperature),
  };
}
