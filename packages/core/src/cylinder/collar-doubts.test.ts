import { massFrom } from '../units/mass';
import { volumeFrom } from '../units/volume';
import { collarDoubts } from './collar-doubts';

const PSI = 6894.76;
const of = (waterLb: number, tareLb: number, psi = 400) =>
  collarDoubts({ volumeM3: volumeFrom(waterLb, 'lb-water'), tareKg: massFrom(tareLb, 'lb'), servicePressurePa: psi * PSI });
const codes = (...args: Parameters<typeof of>) => of(...args).map(({ code }) => code);

// common practice: what is stamped on the usual cylinders, and on steel ones for CO2 and nitrogen
test.each([
  ['30 lb', 26.2, 17.2, 400],
  ['50 lb', 47.7, 27.7, 400],
  ['125 lb', 123, 63.5, 400],
  ['half a ton', 1000, 330, 400],
  ['a ton tank', 1600, 1500, 500],
  ['a small one', 11, 9.5, 350],
  ['CO2, 10 L of steel', 22, 31, 2900],
  ['nitrogen, 50 L of steel', 110, 145, 2900],
])('nothing is asked about %s', (_, waterLb, tareLb, psi) => {
  expect(codes(waterLb, tareLb, psi)).toEqual([]);
});

test('the size it is sold under is no water capacity: filled by it, it would hold a seventh too much', () => {
  expect(of(30, 17.2)).toEqual([{ code: 'nominal-size', pounds: 30 }]);
  expect(codes(50, 27.7)).toEqual(['nominal-size']);
  expect(codes(29.7, 17.2)).toEqual([]);
});

test('a tare that no such cylinder weighs, a unit mistaken for another, one stamp read as the other', () => {
  expect(codes(26.2, 170)).toEqual(['tare-unusual']); // a digit too many
  expect(codes(26.2, 3)).toEqual(['tare-unusual']);
  expect(codes(47.7 / 2.20462, 27.7 * 2.20462)).not.toEqual([]); // liters typed as pounds of water, kilograms twice
  expect(codes(17.2, 40)).toEqual(['swapped']);
});

test('a service pressure in bar that was typed as psi', () => {
  expect(codes(26.2, 17.2, 28)).toEqual(['service-low']);
});

test('the range it is asked about by is told', () => {
  const [doubt] = of(26.2, 170);
  expect(doubt).toMatchObject({ code: 'tare-unusual' });
  if (doubt?.code !== 'tare-unusual') return;
  expect(doubt.leastKg).toBeCloseTo(2.97, 1);
  expect(doubt.mostKg).toBeCloseTo(14.3, 1);
});
