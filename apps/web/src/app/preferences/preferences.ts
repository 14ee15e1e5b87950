import type { MassUnit } from '@hygromet/core/units/mass';
import type { PressureUnit } from '@hygromet/core/units/pressure';
import type { TemperatureUnit } from '@hygromet/core/units/temperature';

/** What a person chose for this device. */
export interface Preferences {
  /** Whose entries are made here; empty until somebody has said so. */
  readonly person: string;
  /** As a scale for cylinders shows it. */
  readonly mass: Extract<MassUnit, 'lb' | 'lb-oz' | 'kg'>;
  readonly temperature: Exclude<TemperatureUnit, 'K'>;
  readonly pressure: Extract<PressureUnit, 'psig' | 'barg' | 'kPag'>;
  readonly decimalMark: '.' | ',';
  readonly theme: 'system' | 'light' | 'dark';
}

export const defaultPreferences: Preferences = {
  person: '',
  mass: 'lb',
  temperature: 'F',
  pressure: 'psig',
  decimalMark: '.',
  theme: 'system',
};
