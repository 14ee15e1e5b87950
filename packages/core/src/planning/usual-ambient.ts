import { fahrenheit } from '../units/temperature';
import type { Kelvin } from '../units/quantity';

/** Where people work outdoors; a reading beyond it is more likely a slip or the wrong unit than the weather. Common practice. */
export const usualAmbient = { least: fahrenheit(-40), most: fahrenheit(140) } as const;

/** Whether an outdoor temperature is asked about before anything is computed from it. */
export const isUnusualAmbient = (T: Kelvin): boolean => T < usualAmbient.least - ROUNDING || T > usualAmbient.most + ROUNDING;

/** K: 140 °F that was typed in another unit and converted is still 140 °F. */
const ROUNDING = 0.01;
