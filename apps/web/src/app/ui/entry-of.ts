import { massIn, poundsOuncesOf, type MassUnit } from '@hygromet/core/units/mass';
import { pressureIn, type PressureUnit } from '@hygromet/core/units/pressure';
import { kelvin, kilogram, pascal, type Pascal } from '@hygromet/core/units/quantity';
import { temperatureIn } from '@hygromet/core/units/temperature';
import type { QuantityEntry } from './quantity-entry';
import { PASCAL_PER_MICRON } from '@hygromet/core/proof/water';

/** Digits that a field scale shows. */
const DIGITS = { lb: 2, kg: 3, oz: 1, g: 0 } as const;

/** A weight as somebody would have typed it from the scale. */
export function massEntry(kg: number, unit: MassUnit): QuantityEntry {
  if (unit !== 'lb-oz') return { unit, text: massIn(kilogram(kg), unit).toFixed(DIGITS[unit]), ounces: '' };
  const { pounds, ounces } = poundsOuncesOf(kilogram(kg), 1);
  return { unit, text: String(pounds), ounces: String(ounces) };
}

/** A pressure as somebody would have typed it from a gauge. @param atmosphere Pa, of the site */
export const pressureEntry = (p: number, unit: PressureUnit, atmosphere: Pascal): QuantityEntry => ({
  unit,
  text: pressureIn(pascal(p), unit, atmosphere).toFixed(unit === 'barg' || unit === 'bar' ? 3 : 1),
  ounces: '',
});

/** A vacuum as a gauge shows it. @param p Pa absolute */
export const vacuumEntry = (p: number, unit: 'micron' | 'Pa'): QuantityEntry => ({
  unit,
  text: unit === 'micron' ? (p / PASCAL_PER_MICRON).toFixed(0) : p.toFixed(1),
  ounces: '',
});

export const temperatureEntry = (T: number, unit: 'F' | 'C'): QuantityEntry => ({
  unit,
  text: temperatureIn(kelvin(T), unit).toFixed(1),
  ounces: '',
});
