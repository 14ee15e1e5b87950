import { refrigerant } from '../fluids/refrigerant';
import { massFrom } from '../units/mass';
import { atmosphereAt, pressureIn, STANDARD_ATMOSPHERE } from '../units/pressure';
import { altitude, kilogram } from '../units/quantity';
import { evacuationLevel, type Opening } from './evacuation-level';
import { pressureClass } from './pressure-class';

const opening = (id: string, chargeLb: number, more: Partial<Opening> = {}): Opening => ({
  composition: refrigerant(id).composition,
  fullCharge: massFrom(chargeLb, 'lb'),
  machineBuilt: 'after-1993',
  sealed: false,
  compressorRuns: true,
  majorRepair: true,
  leaks: false,
  atmosphere: STANDARD_ATMOSPHERE,
  ...more,
});

// 40 CFR 82.152, from memory: by the pressure of the liquid at 104 °F.
test.each([
  ['R-123', 'low'],
  ['R-11', 'low'],
  ['R-1233zd(E)', 'low'],
  ['R-134a', 'medium'],
  ['R-12', 'medium'],
  ['R-513A', 'medium'],
  ['R-22', 'high'],
  ['R-404A', 'high'],
  ['R-407C', 'high'],
  ['R-448A', 'high'],
  ['R-410A', 'high'],
  ['R-13', 'very-high'],
  ['R-23', 'very-high'],
  ['R-744', 'very-high'],
] as const)('%s is a %s-pressure refrigerant', (id, expected) => {
  expect(pressureClass(refrigerant(id).composition)).toBe(expected);
});

// 40 CFR 82.156 table 1, from memory: every row, for machines built after and before 15 Nov 1993.
test.each([
  ['R-23', 10, 0, 'psig', 0, 'psig'],
  ['R-23', 300, 0, 'psig', 0, 'psig'],
  ['R-22', 199, 0, 'psig', 0, 'psig'],
  ['R-22', 200, 10, 'inHg', 4, 'inHg'],
  ['R-134a', 199, 10, 'inHg', 4, 'inHg'],
  ['R-134a', 200, 15, 'inHg', 4, 'inHg'],
  ['R-123', 50, 25_000, 'micron', 25, 'inHg'],
  ['R-123', 900, 25_000, 'micron', 25, 'inHg'],
] as const)('%s with %d lb: %d %s, by an old machine %d %s', (id, charge, value, unit, old, oldUnit) => {
  expect(evacuationLevel(opening(id, charge)).printed).toEqual({ value, unit });
  expect(evacuationLevel(opening(id, charge, { machineBuilt: 'before-1993' })).printed).toEqual({ value: old, unit: oldUnit });
});

test.each([
  ['after-1993', true, 0.9],
  ['after-1993', false, 0.8],
  ['before-1993', true, 0.8],
  ['before-1993', false, 0.8],
] as const)('a small appliance, machine %s, compressor running %s: %d of the charge or 4 inHg', (machineBuilt, compressorRuns, share) => {
  const level = evacuationLevel(opening('R-134a', 2, { sealed: true, machineBuilt, compressorRuns }));
  expect(level.orShare).toBe(share);
  expect(level.printed).toEqual({ value: 4, unit: 'inHg' });
});

test('above 5 lb a sealed appliance is no small one', () => {
  expect(evacuationLevel(opening('R-134a', 5.1, { sealed: true })).orShare).toBeUndefined();
});

test.each([
  ['a repair that is not a major one', { majorRepair: false }],
  ['a leak that would spoil the refrigerant', { leaks: true }],
])('%s ends at 0 psig', (_, more) => {
  expect(evacuationLevel(opening('R-134a', 300, more)).printed).toEqual({ value: 0, unit: 'psig' });
});

// The table's heading (from memory): inches of Hg vacuum relative to standard atmospheric pressure of 29.9 inches. Every row, at the sea
// and at 5000 ft (84.3 kPa): the absolute pressure is the same, the gauge there shows less vacuum.
test.each([
  ['R-22', 200, 'after-1993', 10, 67.46],
  ['R-22', 200, 'before-1993', 4, 87.78],
  ['R-134a', 199, 'after-1993', 10, 67.46],
  ['R-134a', 199, 'before-1993', 4, 87.78],
  ['R-134a', 200, 'after-1993', 15, 50.53],
  ['R-134a', 200, 'before-1993', 4, 87.78],
  ['R-123', 50, 'before-1993', 25, 16.66],
  ['R-123', 50, 'after-1993', undefined, 3.333],
] as const)('%s with %d lb, machine %s: %s inHg below 29.92 is %d kPa wherever it is', (id, charge, machineBuilt, _inHg, kPa) => {
  const high = atmosphereAt(altitude(1524));
  expect(high).toBeCloseTo(84307, -1);
  for (const atmosphere of [STANDARD_ATMOSPHERE, high]) {
    const { p } = evacuationLevel(opening(id, charge, { machineBuilt, atmosphere }));
    expect(p / 1000).toBeCloseTo(Math.min(kPa, atmosphere / 1000), 1);
  }
});

test('15 inHg by the table is 10 inHg on a gauge at 5000 ft', () => {
  const atmosphere = atmosphereAt(altitude(1524));
  const { p } = evacuationLevel(opening('R-134a', 250, { atmosphere }));
  expect(pressureIn(p, 'inHg', atmosphere)).toBeCloseTo(9.98, 1);
});

test.each([1489, 1491, 3000, 8848])('at %i m nothing is asked below a perfect vacuum or above the air of the site', (metres) => {
  const atmosphere = atmosphereAt(altitude(metres));
  for (const id of ['R-123', 'R-134a', 'R-22', 'R-23'])
    for (const charge of [2, 50, 300])
      for (const machineBuilt of ['after-1993', 'before-1993'] as const) {
        const { p } = evacuationLevel(opening(id, charge, { machineBuilt, atmosphere }));
        expect(p).toBeGreaterThan(0);
        expect(p).toBeLessThanOrEqual(atmosphere);
      }
});

test('a small repair on a low-pressure chiller: 0 psig, by controlled heating', () => {
  expect(evacuationLevel(opening('R-123', 300, { majorRepair: false }))).toMatchObject({
    printed: { value: 0, unit: 'psig' },
    heated: true,
  });
  expect(evacuationLevel(opening('R-134a', 300, { majorRepair: false })).heated).toBeUndefined();
});

test('a vehicle has a rule of its own', () => {
  const level = evacuationLevel(opening('R-134a', 2, { vehicle: true }));
  expect(level.printed).toEqual({ value: 4, unit: 'inHg' });
  expect(level.source).toMatch(/82\.34/);
});

test('the level says where it comes from', () => {
  expect(evacuationLevel(opening('R-22', 10)).source).toMatch(/40 CFR 82\.156.*from memory/);
  expect(evacuationLevel({ ...opening('R-22', 1), fullCharge: kilogram(0) }).class).toBe('high');
});
