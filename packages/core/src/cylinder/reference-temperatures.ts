import { kelvin } from '../units/quantity';
import data from './reference-temperatures.json';

/** 131 °F: what a cylinder is rated and filled for, K. */
export const HOT_REFERENCE = kelvin(data.hot.T);
/** 77 °F: what levels are drawn and compared at, K. */
export const USUAL_REFERENCE = kelvin(data.usual.T);
