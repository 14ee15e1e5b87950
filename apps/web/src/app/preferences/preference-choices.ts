import type { Choice } from '../ui/choice-field';
import type { Preferences } from './preferences';

const choices = <K extends string>(labels: Readonly<Record<K, string>>): readonly Choice[] =>
  Object.entries<string>(labels).map(([value, label]) => ({ value, label }));

export const massUnits = choices<Preferences['mass']>({
  lb: $localize`Pounds, decimal: 38.7 lb`,
  'lb-oz': $localize`Pounds and ounces: 38 lb 11 oz`,
  kg: $localize`Kilograms: 17.59 kg`,
});
export const temperatureUnits = choices<Preferences['temperature']>({ F: '°F', C: '°C' });
export const pressureUnits = choices<Preferences['pressure']>({
  psig: $localize`psi gauge`,
  barg: $localize`bar gauge`,
  kPag: $localize`kPa gauge`,
});
export const decimalMarks = choices<Preferences['decimalMark']>({ '.': $localize`Point: 38.7`, ',': $localize`Comma: 38,7` });
export const themes = choices<Preferences['theme']>({ system: $localize`As the device`, light: $localize`Light`, dark: $localize`Dark` });
