import type { Cylinder } from '@hygromet/contract/cylinder';
import { fillLimits } from '@hygromet/core/cylinder/fill-limit';
import { pressureRating } from '@hygromet/core/cylinder/pressure-rating';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { cubicMetre, kilogram } from '@hygromet/core/units/quantity';
import { operations } from '../live/property-operations';
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
  incoming: { name: 'R-410A' },
  safetyGroup: 'A1',
  ruling,
  objections: [],
  nowKg: 10.8,
  rating: pressureRating(composition, 2.76e6),
  heat: operations.heat({ composition, volumeM3: volume, massKg: ruling.net }),
  hottestK: 318.15,
  coolStop: undefined,
  scaleUnit: 'kg',
  ...more,
});
const codes = (more: Partial<FillFacts>) => fillCautions(facts(more), units).map(({ code, stops }) => [code, stops]);

test('a good cylinder in a cool place has no caution', () => {
  expect(codes({})).toEqual([]);
});

test('filled to its stop, a van in the sun makes it liquid-full: said with the temperature and what each degree adds', () => {
  const [caution] = fillCautions(facts({ hottestK: 333.15 }), units);
  expect(caution).toMatchObject({ code: 'hot', stops: false });
  expect(caution!.sentence).toMatch(/liquid-full from 59 °C/);
  expect(caution!.sentence).toMatch(/each degree adds about 2\.5 bar/);
  expect(caution!.sentence).toMatch(/or stop earlier\.$/);
});

test('the reading that keeps room there is said, unless that much is in it already', () => {
  const said = (grossKg: number) => fillCautions(facts({ hottestK: 333.15, coolStop: { grossKg, freeShare: 0.05 } }), units)[0]!.sentence;
  expect(said(16.9)).toMatch(/or stop at 16\.90 kg: then 5 % of its volume stay free there\.$/);
  expect(said(10.7)).toMatch(/or stop earlier\.$/);
});

test.each<[string, Partial<FillFacts>, boolean]>([
  ['overfilled', { nowKg: ruling.gross + 0.5 }, true],
  ['mixing', { incoming: { name: 'R-407C' } }, true],
  ['mixing', { objections: ['other-refrigerant'] }, true],
  ['air-comes-along', { objections: ['air-comes-along'] }, true],
  ['over-rated', { rating: pressureRating(composition, 1.79e6) }, true],
  ['flammable', { incoming: { name: 'a mixture' }, safetyGroup: null }, false],
  ['flammable', { incoming: { name: 'R-410A' }, safetyGroup: 'A2L' }, false],
])('%s', (code, more, stops) => {
  expect(codes(more)).toContainEqual([code, stops]);
});

test('overdue stops, and the gravest stands first', () => {
  const cylinder = { ...facts({}).cylinder, flags: ['overdue'] } as Cylinder;
  expect(codes({ cylinder, hottestK: 333.15 })).toEqual([
    ['overdue', true],
    ['hot', false],
  ]);
});

test('an empty cylinder has nothing to mix with', () => {
  const cylinder = { ...facts({}).cylinder, refrigerant: null } as Cylinder;
  expect(codes({ cylinder, incoming: { name: 'R-32' } })).toEqual([]);
});

test('what speaks against the cylinder itself stops the transfer, in a sentence of its own', () => {
  const found = fillCautions({ ...facts({}), objections: ['airy', 'not-evacuated', 'class-too-low'] }, units);
  expect(found.filter(({ stops }) => stops).map(({ code }) => code)).toEqual(['airy', 'not-evacuated']);
  expect(found[0]!.sentence).toMatch(/Add nothing until it is purged/);
});
