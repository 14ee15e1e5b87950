import table from './unit-table.json';

export type PowerUnit = keyof typeof table.power;

/** W in one of `unit`. */
export const wattsIn = (unit: PowerUnit): number => table.power[unit].factor;
