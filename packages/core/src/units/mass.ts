import { kilogram, type Kilogram } from './quantity';
import table from './unit-table.json';

/** How a scale or a plate shows a weight. `lb-oz` are whole pounds and ounces, never a decimal. */
export type MassUnit = keyof typeof table.mass | 'lb-oz';
export type DecimalMassUnit = keyof typeof table.mass;

const OUNCES_IN_A_POUND = 16;

/** Mass in kg of `value` in a decimal unit. @throws NotANumber, OutOfRange (below 0 or above 1000 t) */
export const massFrom = (value: number, unit: DecimalMassUnit): Kilogram => kilogram(value * table.mass[unit].factor);

/** A mass, or a difference of masses, as a decimal number of `unit`. */
export const massIn = (kg: number, unit: DecimalMassUnit): number => kg / table.mass[unit].factor;

/** Mass in kg of whole pounds and ounces: 5 lb 5 oz is 5.3125 lb, not 5.5 lb. */
export const massFromPoundsOunces = (pounds: number, ounces: number): Kilogram => kilogram(massFrom(pounds, 'lb') + massFrom(ounces, 'oz'));

export interface PoundsOunces {
  readonly pounds: number;
  readonly ounces: number;
}

/** Whole pounds and ounces of a mass, ounces rounded to `decimals`; 15.96 oz at one decimal carries into the next pound. */
export function poundsOuncesOf(kg: number, decimals: number): PoundsOunces {
  const step = 10 ** decimals;
  const ounces = Math.round(massIn(kg, 'oz') * step) / step;
  const pounds = Math.trunc(ounces / OUNCES_IN_A_POUND);
  return { pounds, ounces: Math.round((ounces - pounds * OUNCES_IN_A_POUND) * step) / step };
}
