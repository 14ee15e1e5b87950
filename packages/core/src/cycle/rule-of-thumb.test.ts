import { refrigerant } from '../fluids/refrigerant';
import { temperatureFrom } from '../units/temperature';
import { ruleOfThumb, targetSuperheat } from './rule-of-thumb';
import { slipsOf, type SlipCode } from './slips';
import { cycleTable } from './cycle-table';
import type { UnitPlate } from './unit';

const F = (value: number) => temperatureFrom(value, 'F');
const K = (fahrenheit: number) => fahrenheit / 1.8;
const { composition } = refrigerant('R-410A');
const plate = (metering: UnitPlate['metering'], more: Partial<UnitPlate> = {}): UnitPlate => ({
  composition,
  kind: 'split',
  metering,
  capacityW: 10_550,
  plateKg: 3.2,
  ...more,
});
const day = { outdoorK: F(95), indoorK: F(80), indoorWetBulbK: F(67) };

// Common practice: (3 WB - 80 - DB) / 2.
test.each([
  [95, 67, 13],
  [85, 67, 18],
  [75, 64, 18.5],
  [105, 62, 0.5],
])('outdoors %s °F and a wet bulb of %s °F: a target of %s °F', (outdoors, wetBulb, target) => {
  expect(1.8 * targetSuperheat({ ...day, outdoorK: F(outdoors), indoorWetBulbK: F(wetBulb) })!).toBeCloseTo(target, 6);
});

test.each([
  [19, 'add'],
  [13, 'leave'],
  [7, 'remove'],
] as const)('an orifice at %s °F of superheat on a day of 13 °F: %s', (superheat, says) => {
  expect(ruleOfThumb(plate('orifice'), day, { superheat: K(superheat), subcooling: 0 })).toMatchObject({ by: 'superheat', says });
});

test.each([
  [4, undefined, 'add'],
  [10, undefined, 'leave'],
  [15, undefined, 'remove'],
  [10, 14, 'add'],
] as const)('a valve at %s °F of subcooling, its plate says %s °F: %s', (subcooling, plated, says) => {
  const unitPlate = plate('txv', plated === undefined ? {} : { plateSubcoolingK: K(plated) });
  expect(ruleOfThumb(unitPlate, day, { superheat: 0, subcooling: K(subcooling) })).toMatchObject({ by: 'subcooling', says });
});

test('below 5 °F of target nobody charges by superheat; without its readings there is no rule', () => {
  const hot = { ...day, outdoorK: F(105), indoorWetBulbK: F(62) };
  expect(ruleOfThumb(plate('orifice'), hot, { superheat: K(2) })?.says).toBe('too-low-to-charge');
  expect(ruleOfThumb(plate('orifice'), { ...day, indoorWetBulbK: undefined }, { superheat: K(10) })).toBeUndefined();
  expect(ruleOfThumb(plate('orifice'), day, {})).toBeUndefined();
  expect(ruleOfThumb(plate('txv'), day, { superheat: K(10) })).toBeUndefined();
});

describe('what can hardly be', () => {
  const table = cycleTable(composition);
  const good = { head: 2.75e6, suction: 9.9e5, suctionLine: F(55), liquidLine: F(100), supply: F(60) };
  const fine = { superheat: K(10), subcooling: K(10) };
  const slips = (readings: object, conditions: object = {}, derived: object = {}): readonly SlipCode[] =>
    slipsOf(table, { ...day, ...conditions }, { ...good, ...readings }, { ...fine, ...derived });

  test('good readings are no slip', () => {
    expect(slips({})).toEqual([]);
  });

  test.each([
    ['head and suction are exchanged', { head: 9.9e5, suction: 2.75e6 }, {}, {}, 'suction-above-head'],
    ['wet and dry bulb are exchanged', {}, { indoorK: F(67), indoorWetBulbK: F(80) }, {}, 'wet-bulb-above-dry'],
    ['a suction line colder than it boils', {}, {}, { superheat: K(-9) }, 'wet-superheat'],
    ['liquid warmer than it condenses', {}, {}, { subcooling: K(-9) }, 'liquid-above-condensing'],
    ['supply as warm as the return', { supply: F(80) }, {}, {}, 'supply-not-cooled'],
    ['a head that condenses below the weather', { head: 1.4e6 }, {}, {}, 'head-below-outdoors'],
    ['a suction that boils above the room', { suction: 2e6 }, {}, {}, 'suction-above-indoors'],
    ['a head beyond two phases', { head: 1.1 * table.most }, {}, {}, 'beyond-the-table'],
  ] as const)('%s', (_, readings, conditions, derived, code) => {
    expect(slips(readings, conditions, derived)).toContain(code);
  });

  test('what a gauge and a clamp may be off together is no slip', () => {
    expect(slips({}, {}, { superheat: -2.5, subcooling: -2.5 })).toEqual([]);
  });

  test('a heat pump that heats condenses indoors and boils outdoors', () => {
    const heats = { heating: true, outdoorK: F(17), indoorK: F(70), indoorWetBulbK: undefined };
    expect(slips({ head: 2.2e6, suction: 4e5, supply: F(95) }, heats)).toEqual([]);
    expect(slips({ head: 1e6, suction: 4e5, supply: F(95) }, heats)).toEqual(['head-below-outdoors']);
    expect(slips({ head: 2.2e6, suction: 9e5, supply: F(95) }, heats)).toEqual(['suction-above-indoors']);
  });
});
