import table from './unit-table.json';

export type DensityUnit = keyof typeof table.density;

/** A density, kg/m³, in `unit`. */
export const densityIn = (value: number, unit: DensityUnit): number => value / table.density[unit].factor;
