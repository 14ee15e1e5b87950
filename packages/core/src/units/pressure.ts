import { altitude, pascal, type Metre, type Pascal } from './quantity';
import table from './unit-table.json';

export type PressureUnit = keyof typeof table.pressure;

/** Pa; also the 29.92 inHg from which vacuum is counted down at sea level. */
export const STANDARD_ATMOSPHERE = pascal(101_325);

/**
 * Pressure of the atmosphere at a height, Pa. Gauges read from here.
 * Source: ICAO standard atmosphere (Doc 7488; from memory), troposphere: p = p0 (1 − L h / T0)^(g0 M / (R L)).
 */
export function atmosphereAt(height: Metre): Pascal {
  const h = altitude(height);
  return pascal(STANDARD_ATMOSPHERE * (1 - (0.0065 * h) / 288.15) ** 5.25588);
}

/** Absolute pressure, Pa, of a reading. Gauge and vacuum readings count from `atmosphere`, the site's own. */
export function pressureFrom(value: number, unit: PressureUnit, atmosphere: Pascal): Pascal {
  const { factor, reference } = table.pressure[unit];
  if (reference === 'absolute') return pascal(value * factor);
  return pascal(reference === 'gauge' ? atmosphere + value * factor : atmosphere - value * factor);
}

/** A reading in `unit` of an absolute pressure, Pa. */
export function pressureIn(p: number, unit: PressureUnit, atmosphere: Pascal): number {
  const { factor, reference } = table.pressure[unit];
  if (reference === 'absolute') return p / factor;
  return (reference === 'gauge' ? p - atmosphere : atmosphere - p) / factor;
}

/** A difference of pressures, Pa, in `unit`: no reference. */
export const pressureDifferenceIn = (difference: number, unit: PressureUnit): number => difference / table.pressure[unit].factor;
