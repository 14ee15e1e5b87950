import table from './unit-table.json';

export type SpecificEnergyUnit = keyof typeof table.specificEnergy;

/** An energy per mass, J/kg, in `unit`. */
export const specificEnergyIn = (value: number, unit: SpecificEnergyUnit): number => value / table.specificEnergy[unit].factor;
