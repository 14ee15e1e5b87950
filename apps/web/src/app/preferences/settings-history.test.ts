import type { Organisation, OrganisationChange } from '@hygromet/contract/organisation';
import { settingsHistory } from './settings-history';

const settings: Organisation = {
  name: 'Tidewrack Cold Works',
  altitudeM: 12,
  requiredRules: ['not-liquid-full-131F', 'eighty-percent-77F'],
  liquidShareAt131F: 0.95,
  hottestK: 333.15,
  partShare: 0.8,
  endOfPumpDown: 'slightly-positive',
  readingsKeptDays: 30,
  people: ['Ines Marrow'],
};
const tell = {
  decimal: (value: number, digits: number) => value.toFixed(digits),
  temperature: (T: number) => `${Math.round(T - 273.15)} °C`,
};
const change = (version: number, part: Partial<Organisation>): OrganisationChange => ({
  version,
  settings: { ...settings, ...part },
  changedAt: '2026-11-25T08:00:00Z',
  changedBy: 'Ines Marrow',
});

test('each state tells what it changed of the one before, rules by their names', () => {
  const required = settings.requiredRules.slice(0, 1);
  const history = settingsHistory(
    [change(3, { hottestK: 338.15, requiredRules: required }), change(2, { hottestK: 338.15 }), change(1, {})],
    tell,
  );
  expect(history.map(({ lines }) => lines.length)).toEqual([1, 1, 0]);
  expect(history[0]?.lines[0]).toMatch(/: no longer required$/);
  expect(history[1]?.lines).toEqual(['Default maximum storage temperature: 65 °C']);
});
