import { NotANumber, OutOfRange } from '../errors';

declare const unit: unique symbol;

/** A number that carries its SI unit in its type. Made only by the functions of this folder. */
export type Quantity<U extends string> = number & { readonly [unit]: U };

export type Kelvin = Quantity<'K'>;
export type Pascal = Quantity<'Pa'>;
export type Kilogram = Quantity<'kg'>;
export type CubicMetre = Quantity<'m³'>;
/** kg/m³ */
export type Density = Quantity<'kg/m³'>;
export type Metre = Quantity<'m'>;

/**
 * The value itself when it lies in min to max, both included.
 * @throws NotANumber for NaN and infinities; OutOfRange beyond the ends (never clamped)
 */
export function within(quantity: string, value: number, min: number, max: number, unitName: string): number {
  if (!Number.isFinite(value)) throw new NotANumber(quantity);
  if (value < min || value > max) throw new OutOfRange(quantity, value, min, max, unitName);
  return value;
}

/** Temperature, K, above 0 to 2000. */
export const kelvin = (value: number) => within('temperature', value, Number.MIN_VALUE, 2000, 'K') as Kelvin;
/** Absolute pressure, Pa, 0 to 1 GPa. */
export const pascal = (value: number) => within('pressure', value, 0, 1e9, 'Pa') as Pascal;
/** Mass, kg, 0 to 1000 t. A difference of masses is a plain number: it may be negative. */
export const kilogram = (value: number) => within('mass', value, 0, 1e6, 'kg') as Kilogram;
/** Internal volume, m³, above 0 (1 mL) to 1000 m³. */
export const cubicMetre = (value: number) => within('volume', value, 1e-6, 1000, 'm³') as CubicMetre;
/** Density, kg/m³, above 0 to 5000. */
export const density = (value: number) => within('density', value, Number.MIN_VALUE, 5000, 'kg/m³') as Density;
/** Height above the sea, m, −450 (the lowest shores) to 9000. */
export const altitude = (value: number) => within('altitude', value, -450, 9000, 'm') as Metre;
