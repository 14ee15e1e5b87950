import type { Choice } from '../ui/choice-field';
import type { Preferences } from './preferences';

const choices = <K extends string>(labels: Readonly<Record<K, string>>): readonly Choice[] =>
  Object.entries<string>(labels).map(([value, label]) => ({ value, label }));

export const massUnits = choices<Preferences['mass']>({
  lb: 'Pounds, decimal: 38.7 lb',
  'lb-oz': 'Pounds and ounces: 38 lb 11 oz',
  kg: 'Kilograms: 17.59 kg',
});
export const temperatureUnits = choices<Preferences['temperature']>({ F: '°F', C: '°C' });
export const pressureUnits = choices<Preferences['pressure']>({ psig: 'psi gauge', barg: 'bar gauge', kPag: 'kPa gauge' });
export const decimalMarks = choices<Preferences['decimalMark']>({ '.': 'Point: 38.7', ',': 'Comma: 38,7' });
export const themes = choices<Preferences['theme']>({ system: 'As the device', light: 'Light', dark: 'Dark' });
