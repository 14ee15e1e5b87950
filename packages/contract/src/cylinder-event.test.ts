import { cylinderMoves, newCylinderEvent } from './cylinder-event';
import { movementsQuery, newTransfer } from './movement';

const KEY = 'b3f8e1b6-98c8-4f5e-9d1c-0d6f6a9b1c11';
const base = { key: KEY, happenedAt: '2026-11-24T09:00:00Z', recordedBy: 'Tobin Wake' };
const sentences = (
  schema: { safeParse: (body: unknown) => { error?: { issues: { path: PropertyKey[]; message: string }[] } } },
  body: object,
) => schema.safeParse(body).error?.issues.map(({ path, message }) => [path.join('.'), message]) ?? [];
const ofEvent = (body: object) => sentences(newCylinderEvent, { ...base, ...body });

const evacuated = { what: 'evacuated', pressurePa: 40, gauge: 'micron gauge 2' };
const aired = { what: 'air-checked', pressurePa: 1.1e6, temperatureK: 298, gaugePa: 5000, thermometerK: 0.5 };
const weighed = { what: 'weighed-in', grossKg: 12, scaleOffKg: 0.05, difference: { is: 'none' } };

test.each([
  evacuated,
  aired,
  weighed,
  { ...weighed, difference: { is: 'explained', reason: 'ice on it' } },
  { what: 'relabelled', refrigerant: null, kind: 'burn-out' },
  { what: 'moved', place: 'workshop' },
  { what: 'requalified', stamp: '2026-10' },
  { what: 'tare-weighed', tareKg: 7.8 },
  { what: 'retired', reason: 'dent' },
])('%j is taken', (event) => {
  expect(ofEvent(event)).toEqual([]);
});

test.each([
  [{ ...evacuated, pressurePa: 5000 }, 'pressurePa', /no vacuum a cylinder can be filled from/],
  [{ ...evacuated, pressurePa: -1 }, 'pressurePa', /below a full vacuum/],
  [{ ...evacuated, gauge: ' ' }, 'gauge', /Give the gauge/],
  [{ ...aired, temperatureK: 20 }, 'temperatureK', /below 150 K/],
  [{ ...aired, gaugePa: 5e5 }, 'gaugePa', /too poor/],
  [{ ...aired, thermometerK: 0 }, 'thermometerK', /No thermometer is that good/],
  [{ ...weighed, grossKg: 0 }, 'grossKg', /Stand the cylinder on it/],
  [{ ...weighed, scaleOffKg: 9 }, 'scaleOffKg', /too poor to be useful/],
  [{ ...weighed, difference: { is: 'explained', reason: '' } }, 'difference.reason', /reason of the difference/],
  [{ what: 'moved', place: 'roof' }, 'place', /Choose one of the places/],
  [{ what: 'requalified', stamp: '10-26' }, 'stamp', /such as 2021-11/],
  [{ what: 'tare-weighed', tareKg: 0 }, 'tareKg', /Weigh it empty/],
  [{ what: 'relabelled', refrigerant: 'R-22', kind: 'mystery' }, 'kind', /Choose one of/],
  [{ what: 'retired', reason: '' }, 'reason', /Give the reason/],
])('%j is refused at its field with a sentence', (event, field, sentence) => {
  expect(ofEvent(event)).toEqual([[field, expect.stringMatching(sentence)]]);
});

test('an event names who and when', () => {
  expect(ofEvent({ ...evacuated, recordedBy: '' })).toEqual([['recordedBy', 'Give the name of the person.']]);
  expect(ofEvent({ ...evacuated, happenedAt: 'yesterday' })[0]?.[1]).toMatch(/Give a date and time with its offset/);
});

test('cylinders are moved by their ids, at least one, each with its own key', () => {
  const moves = { place: 'van', cylinders: [{ id: KEY, key: KEY }], happenedAt: base.happenedAt, recordedBy: base.recordedBy };
  expect(sentences(cylinderMoves, moves)).toEqual([]);
  expect(sentences(cylinderMoves, { ...moves, cylinders: [] })).toEqual([['cylinders', 'Choose at least one cylinder.']]);
});

test('a page of the ledger has a usual length, and a longest', () => {
  expect(movementsQuery.parse({})).toEqual({ limit: 500 });
  expect(movementsQuery.parse({ limit: '20' })).toEqual({ limit: 20 });
  expect(sentences(movementsQuery, { limit: '0' })).toEqual([['limit', 'At least one entry.']]);
  expect(sentences(movementsQuery, { limit: '2.5' })).toEqual([['limit', 'A whole number of entries.']]);
});

test('a target weight stands with its rule and as it was shown', () => {
  const transfer = { key: KEY, from: KEY, cylinder: KEY, grossBeforeKg: 9, grossAfterKg: 11, happenedAt: base.happenedAt, recordedBy: 'x' };
  const target = { grossKg: 17.4, rule: 'un-p200', limitGrossKg: 17.6, shown: { text: '38.3', unit: 'lb' } };
  expect(sentences(newTransfer, { ...transfer, target })).toEqual([]);
  expect(sentences(newTransfer, { ...transfer, target: { ...target, grossKg: -1 } })[0]?.[0]).toBe('target.grossKg');
  expect(sentences(newTransfer, { ...transfer, target: { ...target, rule: 'nominal size' } })[0]?.[0]).toBe('target.rule');
});
