import { within, type Metre } from './quantity';
import table from './unit-table.json';

export type LengthUnit = keyof typeof table.length;

/** Length in m of a reading, 0 to 10 km. @throws OutOfRange, NotANumber */
export const lengthFrom = (value: number, unit: LengthUnit): Metre =>
  within('length', value * table.length[unit].factor, 0, 10_000, 'm') as Metre;

/** A length, m, in `unit`. */
export const lengthIn = (value: number, unit: LengthUnit): number => value / table.length[unit].factor;
