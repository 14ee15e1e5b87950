import { NoTwoPhaseState } from '../errors';
import type { Composition } from '../fluids/composition';
import { bubblePoint } from '../thermo/saturation';
import { STANDARD_ATMOSPHERE, pressureFrom, type PressureUnit } from '../units/pressure';
import { temperatureFrom, type TemperatureUnit } from '../units/temperature';
import rules from './evacuation-levels.json';

export type PressureClass = 'low' | 'medium' | 'high' | 'very-high';

/**
 * Class of a refrigerant by the pressure of its liquid at 104 °F; very high as well where it has no liquid there.
 * Source: 40 CFR 82.152, from memory.
 */
export function pressureClass(composition: Composition): PressureClass {
  const p = liquidPressure(composition);
  const found = rules.classes.find(({ below }) => below === undefined || p < absolute(below));
  return (found?.class ?? 'very-high') as PressureClass; // the last row has no upper end
}

function liquidPressure(composition: Composition): number {
  const { value, unit } = rules.classTemperature;
  try {
    return bubblePoint(composition, temperatureFrom(value, unit as TemperatureUnit)).p;
  } catch (error) {
    if (error instanceof NoTwoPhaseState) return Number.POSITIVE_INFINITY;
    throw error;
  }
}

const absolute = ({ value, unit }: { value: number; unit: string }) => pressureFrom(value, unit as PressureUnit, STANDARD_ATMOSPHERE);
