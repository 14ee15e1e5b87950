import { kelvin, type Kelvin } from './quantity';
import table from './unit-table.json';

export type TemperatureUnit = keyof typeof table.temperature;

/** Temperature in K of a reading. Fahrenheit is computed from its definition, so that 32 °F is 273.15 K to the last digit. */
export const temperatureFrom = (value: number, unit: TemperatureUnit): Kelvin =>
  kelvin(unit === 'F' ? ((value - 32) * 5) / 9 + 273.15 : value + table.temperature[unit].offset);

/** A temperature in K as a reading in `unit`. */
export const temperatureIn = (T: number, unit: TemperatureUnit): number =>
  unit === 'F' ? ((T - 273.15) * 9) / 5 + 32 : T - table.temperature[unit].offset;

/** A difference of temperatures, K, in `unit`: no offset. */
export const temperatureDifferenceIn = (difference: number, unit: TemperatureUnit): number => difference / table.temperature[unit].factor;

export const celsius = (value: number): Kelvin => temperatureFrom(value, 'C');
export const fahrenheit = (value: number): Kelvin => temperatureFrom(value, 'F');
