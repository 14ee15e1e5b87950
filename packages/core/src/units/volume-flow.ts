import { within } from './quantity';
import table from './unit-table.json';

export type VolumeFlowUnit = keyof typeof table.volumeFlow;

/** Volume flow in m³/s of a figure in `unit`, 0 to 10 m³/s. @throws OutOfRange */
export const volumeFlowFrom = (value: number, unit: VolumeFlowUnit): number =>
  within('volume flow', value * table.volumeFlow[unit].factor, 0, 10, 'm³/s');

/** A figure in `unit` of m³/s. */
export const volumeFlowIn = (flow: number, unit: VolumeFlowUnit): number => flow / table.volumeFlow[unit].factor;
