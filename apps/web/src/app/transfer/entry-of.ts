import { massIn, poundsOuncesOf, type MassUnit } from '@hygromet/core/units/mass';
import { kilogram } from '@hygromet/core/units/quantity';
import type { QuantityEntry } from '../ui/quantity-entry';

/** Digits that a field scale shows. */
const DIGITS = { lb: 2, kg: 3, oz: 1, g: 0 } as const;

/** A weight as somebody would have typed it from the scale. */
export function entryOf(kg: number, unit: MassUnit): QuantityEntry {
  if (unit !== 'lb-oz') return { unit, text: massIn(kilogram(kg), unit).toFixed(DIGITS[unit]), ounces: '' };
  const { pounds, ounces } = poundsOuncesOf(kilogram(kg), 1);
  return { unit, text: String(pounds), ounces: String(ounces) };
}
