import { cubicMetre, type CubicMetre } from './quantity';
import table from './unit-table.json';

/** `lb-water` is the water capacity stamped on US cylinders: pounds of water at 60 °F. */
export type VolumeUnit = keyof typeof table.volume;

/** Internal volume, m³. @throws NotANumber, OutOfRange (0, negative, or above 1000 m³) */
export const volumeFrom = (value: number, unit: VolumeUnit): CubicMetre => cubicMetre(value * table.volume[unit].factor);

export const volumeIn = (volume: number, unit: VolumeUnit): number => volume / table.volume[unit].factor;

export const litre = (value: number): CubicMetre => volumeFrom(value, 'L');
