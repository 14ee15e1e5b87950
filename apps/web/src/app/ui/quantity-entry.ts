import { CoreError } from '@hygromet/core/errors';
import { lengthFrom } from '@hygromet/core/units/length';
import { massFrom, massFromPoundsOunces, type DecimalMassUnit } from '@hygromet/core/units/mass';
import { pressureDifferenceIn, pressureFrom, STANDARD_ATMOSPHERE, type PressureUnit } from '@hygromet/core/units/pressure';
import { canBeRead } from '@hygromet/core/readings/gauge-range';
import type { Pascal } from '@hygromet/core/units/quantity';
import { readNumber } from '@hygromet/core/units/read-number';
import { temperatureFrom } from '@hygromet/core/units/temperature';
import { volumeFrom } from '@hygromet/core/units/volume';

/** What is in a field as it was typed. `ounces` belongs to the unit lb-oz alone. */
export interface QuantityEntry {
  readonly unit: string;
  readonly text: string;
  readonly ounces: string;
}

export type Reading =
  | { readonly state: 'empty' }
  | { readonly state: 'good'; readonly si: number; readonly typed: { readonly text: string; readonly unit: string } }
  | { readonly state: 'bad'; readonly sentence: string };

/** The kinds of quantity that are typed, with their units in the order they are offered. */
export const quantityUnits = {
  /** What a scale shows. */
  mass: { lb: 'lb', 'lb-oz': 'lb + oz', kg: 'kg' },
  /** What a plate tells: small charges stand there in ounces or grams. */
  charge: { lb: 'lb', 'lb-oz': 'lb + oz', oz: 'oz', kg: 'kg', g: 'g' },
  volume: { 'lb-water': $localize`lb of water`, L: 'L' },
  'service-pressure': { psig: 'psi', barg: 'bar' },
  length: { ft: 'ft', m: 'm' },
  temperature: { F: '°F', C: '°C' },
  vacuum: { micron: $localize`microns`, Pa: $localize`Pa` },
  pressure: {
    psig: $localize`psig`,
    barg: $localize`bar gauge`,
    kPag: $localize`kPa gauge`,
    inHg: $localize`inHg vacuum`,
    psia: $localize`psia`,
    bar: $localize`bar abs`,
  },
} as const;
export type QuantityKind = keyof typeof quantityUnits;

export const emptyEntry = (unit: string): QuantityEntry => ({ unit, text: '', ounces: '' });

const WHOLE = /^\d+$/;
const PASCALS_IN = { psig: 1 / pressureDifferenceIn(1, 'psig'), barg: 1 / pressureDifferenceIn(1, 'barg') };

/**
 * The quantity in SI, or the sentence that belongs beside the field. Service pressure is gauge: above the atmosphere.
 * @param atmosphere Pa, at the site: from there gauges read
 */
export function readQuantity(kind: QuantityKind, entry: QuantityEntry, atmosphere: Pascal = STANDARD_ATMOSPHERE): Reading {
  if (entry.text.trim() === '' && entry.ounces.trim() === '') return { state: 'empty' };
  try {
    return { state: 'good', si: siOf(kind, entry, atmosphere), typed: { text: typedText(entry), unit: entry.unit } };
  } catch (error) {
    if (error instanceof CoreError || error instanceof EntryError) return { state: 'bad', sentence: sentenceFor(kind, error) };
    throw error;
  }
}

const NO_GAUGE = $localize`No gauge reads below a full vacuum or above 3000 psig (207 bar). Check the digits, the sign and the unit.`;

class EntryError extends Error {}

function siOf(kind: QuantityKind, entry: QuantityEntry, atmosphere: Pascal): number {
  switch (kind) {
    case 'mass':
    case 'charge':
      return entry.unit === 'lb-oz' ? poundsAndOunces(entry) : massFrom(readNumber(entry.text), entry.unit as DecimalMassUnit); // the field offers only these
    case 'volume':
      return volumeFrom(readNumber(entry.text), entry.unit === 'L' ? 'L' : 'lb-water');
    case 'service-pressure':
      return positive(readNumber(entry.text)) * PASCALS_IN[entry.unit === 'barg' ? 'barg' : 'psig'];
    case 'temperature':
      return temperatureFrom(readNumber(entry.text), entry.unit === 'C' ? 'C' : 'F');
    case 'length':
      return lengthFrom(readNumber(entry.text), entry.unit === 'm' ? 'm' : 'ft');
    case 'vacuum':
      return pressureFrom(readNumber(entry.text), entry.unit as PressureUnit, atmosphere); // the field offers only these
    case 'pressure':
      return onAGauge(pressureFrom(readNumber(entry.text), entry.unit as PressureUnit, atmosphere)); // the field offers only these
    default:
      return kind satisfies never;
  }
}

function positive(value: number): number {
  if (!(value > 0))
    throw new EntryError($localize`Enter a service pressure greater than 0. Read it from the collar, such as "4BA400" for 400 psi.`);
  return value;
}

function onAGauge(p: Pascal): Pascal {
  if (!canBeRead(p)) throw new EntryError(NO_GAUGE);
  return p;
}

function poundsAndOunces({ text, ounces }: QuantityEntry): number {
  const pounds = text.trim() === '' ? '0' : text.trim();
  if (!WHOLE.test(pounds))
    throw new EntryError($localize`Whole pounds here, the rest in ounces. If the scale shows "${pounds}" with a decimal mark, choose lb.`);
  const rest = ounces.trim() === '' ? 0 : readNumber(ounces);
  if (rest < 0 || rest >= 16) throw new EntryError($localize`Ounces run from 0 to below 16; 16 oz are one more pound.`);
  return massFromPoundsOunces(Number(pounds), rest);
}

const typedText = ({ unit, text, ounces }: QuantityEntry) =>
  unit === 'lb-oz' ? $localize`${text.trim() || '0'} lb ${ounces.trim() || '0'} oz` : text.trim();

/** The core speaks of ranges; beside a field the person needs to know what to do. */
function sentenceFor(kind: QuantityKind, error: Error): string {
  if (!(error instanceof CoreError) || error.code !== 'out-of-range') return error.message;
  switch (kind) {
    case 'mass':
    case 'charge':
      return $localize`A weight is 0 or more, and below 1000 t. Check the sign and the unit.`;
    case 'volume':
      return $localize`The water capacity is above 0. Read "WC" from the collar.`;
    case 'temperature':
      return $localize`Temperature out of range. Check the unit.`;
    case 'length':
      return $localize`Enter a length of 0 or more. Check the sign and the unit.`;
    case 'vacuum':
      return $localize`Enter a vacuum greater than 0. Read the micron gauge again.`;
    case 'pressure':
      return NO_GAUGE;
    case 'service-pressure':
      return error.message;
    default:
      return kind satisfies never;
  }
}
