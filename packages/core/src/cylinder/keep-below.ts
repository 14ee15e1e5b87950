import { kelvin, type Kelvin } from '../units/quantity';
import data from './keep-below.json';

/** The warmest a cylinder may get that is full of liquid at `full`, K. */
export const keepBelow = (full: number): Kelvin => kelvin(full - data.marginK);

/** Colder than anybody can keep a cylinder: no temperature to keep it below is of use. */
export const cannotBeKept = (below: Kelvin): boolean => below < data.coolestKeptK;
