import type { Cylinder } from '@hygromet/contract/cylinder';
import { fillLimits } from '@hygromet/core/cylinder/fill-limit';
import { UNKNOWN } from '@hygromet/core/cylinder/unknown-content';
import { pressureRating } from '@hygromet/core/cylinder/pressure-rating';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { cubicMetre, kilogram } from '@hygromet/core/units/quantity';
import { operations } from '../core-worker/property-operations';
import type { Units } from '../preferences/units.service';
import { fillCautions, type FillFacts } from './fill-cautions';

const units = {
  massText: (kg: number) => `${kg.toFixed(2)} kg`,
  temperature: (T: number) => `${(T - 273.15).toFixed(0)} °C`,
  pressure: (p: number) => `${(p / 1e5).toFixed(0)} bar`,
  pressureStep: (p: number) => `${(p / 1e5).toFixed(1)} bar`,
  kelvinsInADegree: () => 1,
  percent: (share: number) => `${(100 * share).toFixed(0)} %`,
} as unknown as Units; // what the sentences ask of it

const { composition } = refrigerant('R-410A');
const volume = cubicMetre(0.01190863);
const ruling = fillLimits({ composition, volume, tare: kilogram(7.8), content: kilogram(3) }).ruling;

const facts = (more: Partial<FillFacts>): FillFacts => ({
  cylinder: { name: 'C-07', refrigerant: 'R-410A', flags: [], validThrough: '2029-09' } as unknown as Cylinder, // as much as the cautions read
  incoming: { name: 'R-410A', composition },
  safetyGroup: 'A1',
  ruling,
  objections: [],
  nowKg: 10.8,
  rating: pressureRating([composition], { servicePressure: 2.76e6 }),
  heat: operations.heat({ composition, volumeM3: volume, massKg: ruling.net, airShare: 0.015, hottestK: 333.15 }),
  hottestK: 318.15,
  overruled: false,
  scaleUnit: 'kg',
  ...more,
});
const codes = (more: Partial<FillFacts>) => fillCautions(facts(more), units).map(({ code, stops }) => [code, stops]);

test('a good cylinder in a cool place has no caution', () => {
  expect(codes({})).toEqual([]);
});

test('a stop that keeps the rule of its place says nothing of it; set aside, what it means is said', () => {
  expect(codes({ hottestK: 333.15 })).toEqual([['hotter-than-rated', false]]);
  const [caution] = fillCautions(facts({ hottestK: 333.15, overruled: true }), units);
  expect(caution).toMatchObject({ code: 'hot', grave: true, stops: false });
  expect(caution!.sentence).toMatch(
    /^The rule for the hottest location is set aside\. Filled to this stop, it goes liquid-full at 59 °C and reaches 4\d bar at 60 °C/,
  );
  expect(caution!.sentence).toMatch(/climbs about 2\.5 bar per degree\. Keep it below 51 °C/);
});

test('a place hotter than the class is judged at is told, and forbids nothing', () => {
  expect(codes({ hottestK: 328 })).toEqual([]);
  const [caution] = fillCautions(facts({ hottestK: 333.15 }), units);
  expect(caution!.sentence).toMatch(
    /^At 60 °C, the place you named, it may reach \d+ bar: above the cylinder limit of 36 bar, which the class is judged by at 55 °C/,
  );
});

test('as it is overfilled, it is said where it goes liquid-full', () => {
  const [, hot] = fillCautions(facts({ hottestK: 333.15, nowKg: ruling.gross + 0.1 }), units);
  expect(hot!.sentence).toMatch(/^As it is, it goes liquid-full/);
});

const filled = { volume, mass: kilogram(8.75) };
test('air that nobody looked for is told where it would pass the class; air that was found stops the filling', () => {
  const rating = (airShare?: number) =>
    pressureRating([refrigerant('R-32').composition], { servicePressure: 2.76e6 }, { ...filled, airShare });
  expect(codes({ rating: rating() })).toEqual([['air-unchecked', false]]);
  expect(codes({ rating: rating(0.03) })).toEqual([['pressure-rating-too-low', true]]);
  expect(fillCautions(facts({ rating: rating() }), units)[0]!.sentence).toMatch(
    /AHRI 700 allows it would reach 3\d bar at 55 °C.*usual practice/,
  );
});

test('a class that a missing mark leaves open stops, and says which mark', () => {
  const rating = pressureRating([composition], { stamp: 'un' });
  expect(fillCautions(facts({ rating }), units)[0]!.sentence).toMatch(/record the test pressure from the collar/);
});

test('what nobody has identified is filled with a warning of its own', () => {
  const found = fillCautions(facts({ incoming: { name: 'unknown refrigerant', composition: UNKNOWN }, safetyGroup: null }), units);
  expect(found.map(({ code }) => code)).toEqual(expect.arrayContaining(['unidentified', 'flammable']));
});

test.each<[string, Partial<FillFacts>, boolean]>([
  ['overfilled', { nowKg: ruling.gross + 0.5 }, true],
  ['mixing', { incoming: { name: 'R-407C', composition } }, true],
  ['mixing', { objections: ['other-refrigerant'] }, true],
  ['air-comes-along', { objections: ['air-comes-along'] }, true],
  ['pressure-rating-too-low', { rating: pressureRating([composition], { servicePressure: 1.79e6 }) }, true],
  ['flammable', { incoming: { name: 'a mixture', composition }, safetyGroup: null }, false],
  ['flammable', { incoming: { name: 'R-410A', composition }, safetyGroup: 'A2L' }, false],
])('%s', (code, more, stops) => {
  expect(codes(more)).toContainEqual([code, stops]);
});

test('overdue stops, and the gravest stands first', () => {
  const cylinder = { ...facts({}).cylinder, flags: ['overdue'] } as Cylinder;
  expect(codes({ cylinder, safetyGroup: 'A2L' })).toEqual([
    ['overdue', true],
    ['flammable', false],
  ]);
});

test('air that was found in it is told before anybody has said what comes', () => {
  const { cylinder } = facts({});
  expect(codes({ cylinder: { ...cylinder, flags: ['non-condensables'] }, incoming: undefined })).toEqual([['non-condensables', true]]);
});

test('an empty cylinder has nothing to mix with', () => {
  const cylinder = { ...facts({}).cylinder, refrigerant: null } as Cylinder;
  expect(codes({ cylinder, incoming: { name: 'R-32', composition } })).toEqual([]);
});

test('what speaks against the cylinder itself stops the transfer, in a sentence of its own', () => {
  const found = fillCautions({ ...facts({}), objections: ['non-condensables', 'not-evacuated', 'class-too-low'] }, units);
  expect(found.filter(({ stops }) => stops).map(({ code }) => code)).toEqual(['non-condensables', 'not-evacuated']);
  expect(found[0]!.sentence).toMatch(/Add nothing until it is purged/);
});
