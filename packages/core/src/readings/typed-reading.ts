import { CoreError } from '../errors';
import { pressureFrom, STANDARD_ATMOSPHERE, type PressureUnit } from '../units/pressure';
import { readNumber } from '../units/read-number';
import { temperatureFrom, type TemperatureUnit } from '../units/temperature';
import table from '../units/unit-table.json';
import { unless } from '../unless';
import { canBeRead } from './gauge-range';

const isPressureUnit = (unit: string): unit is PressureUnit => Object.hasOwn(table.pressure, unit);
const isTemperatureUnit = (unit: string): unit is TemperatureUnit => Object.hasOwn(table.temperature, unit);

/** Whether a gauge can have shown what was typed; what is no number, or out of the range of every gauge, is read again. */
export const isGaugeReading = (text: string, unit: string): boolean =>
  isPressureUnit(unit) && unless(CoreError, () => canBeRead(pressureFrom(readNumber(text), unit, STANDARD_ATMOSPHERE))) === true;

/** Whether a thermometer can have shown what was typed. */
export const isThermometerReading = (text: string, unit: string): boolean =>
  isTemperatureUnit(unit) && unless(CoreError, () => temperatureFrom(readNumber(text), unit)) !== undefined;
