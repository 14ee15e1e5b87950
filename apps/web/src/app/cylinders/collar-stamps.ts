import type { QuantityEntry } from '../ui/quantity-entry';

/** What of a collar is typed, before it is read. */
export interface CollarEntries {
  readonly name: string;
  readonly volume: QuantityEntry;
  readonly tare: QuantityEntry;
  readonly service: QuantityEntry;
  readonly stamp: string;
  readonly stampedBy: string;
}

export type StampId = 'service' | 'number' | 'volume' | 'tare' | 'stamp';

/** A stamp: what stands before the figure on every collar of its kind, and the figure as it was typed. */
export interface CollarStamp {
  readonly id: StampId;
  /** What it is called by who reads it out. */
  readonly said: string;
  readonly before: string;
  readonly figure: string;
}

const UNITS: Readonly<Record<string, string>> = { 'lb-water': 'lb', 'lb-oz': 'lb', psig: '', barg: 'bar' };

/**
 * The stamps in the order in which they stand on the collar: by rows, the left one first. Specification with service pressure, serial
 * number, water capacity, tare and test date are what 49 CFR 178.35(f), 178.51 and 180.213 have stamped; where on the collar each stands
 * differs by maker.
 */
export function collarStamps({ name, volume, tare, service, stamp, stampedBy }: CollarEntries): readonly CollarStamp[] {
  const specification = stampedBy === 'un' ? 'UN' : $localize`DOT 4··`;
  return [
    { id: 'service', said: specification, before: specification, figure: withUnit(service) },
    { id: 'number', said: $localize`serial`, before: '', figure: name.trim() },
    { id: 'volume', said: $localize`WC`, before: 'WC', figure: withUnit(volume) },
    { id: 'tare', said: $localize`TW`, before: 'TW', figure: withUnit(tare) },
    { id: 'stamp', said: $localize`test date`, before: '', figure: stamp.trim() },
  ];
}

function withUnit({ text, unit, ounces }: QuantityEntry): string {
  const figure = text.trim();
  if (figure === '') return '';
  const ouncesToo = unit === 'lb-oz' && ounces.trim() !== '' ? $localize` ${ounces.trim()} oz` : '';
  return `${figure} ${UNITS[unit] ?? unit}${ouncesToo}`.trim();
}
