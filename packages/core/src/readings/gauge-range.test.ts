import { pressureFrom, STANDARD_ATMOSPHERE, type PressureUnit } from '../units/pressure';
import { canBeRead } from './gauge-range';

const read = (value: number, unit: PressureUnit) => canBeRead(pressureFrom(value, unit, STANDARD_ATMOSPHERE));

// common practice: a nitrogen test of an R-410A high side, the full scale of its gauge, and R-744 that stands in the heat
test.each([
  [0, 'psig'],
  [550, 'psig'],
  [800, 'psig'],
  [1400, 'psig'],
  [55, 'barg'],
] as const)('%d %s can be read', (value, unit) => expect(read(value, unit)).toBe(true));

test.each([
  [12_110, 'psig'],
  [12_800, 'psig'],
  [280, 'barg'],
] as const)('%d %s is a slip', (value, unit) => expect(read(value, unit)).toBe(false));
