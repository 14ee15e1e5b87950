import { refrigerant } from '../fluids/refrigerant';
import { massFrom, massIn } from '../units/mass';
import { kilogram } from '../units/quantity';
import { pressureDifferenceIn } from '../units/pressure';
import { volumeFrom, volumeIn } from '../units/volume';
import { fillLimits } from './fill-limit';
import { pressureRating } from './pressure-rating';

/**
 * Recovery cylinders by the nominal size under which they are sold, with the water capacity that is usually stamped on them. Common
 * practice: nominal sizes are weights of content, so that a "30 lb" cylinder holds 26.2 lb of water.
 */
const usual = [
  { nominal: '30 lb', waterLb: 26.2, tareLb: 17.2 },
  { nominal: '50 lb', waterLb: 47.7, tareLb: 27.7 },
  { nominal: '125 lb', waterLb: 123, tareLb: 63.5 },
  { nominal: 'half a ton', waterLb: 1000, tareLb: 330 },
] as const;

const limitsOf = (id: string, waterLb: number, tareLb: number) =>
  fillLimits({
    composition: refrigerant(id).composition,
    volume: volumeFrom(waterLb, 'lb-water'),
    tare: massFrom(tareLb, 'lb'),
    content: kilogram(0),
  });
const lb = (kg: number) => massIn(kilogram(kg), 'lb');

// AHRI Guideline K (from memory): maximum gross = 0.8 × water capacity × specific gravity at 77 °F + tare
test.each(usual)('$nominal: 80 % at 77 °F is 0.8 × WC × specific gravity, for three refrigerants', ({ waterLb, tareLb }) => {
  // specific gravity of the saturated liquid at 77 °F against water at 60 °F (999 kg/m³); handbook values to the third place
  for (const [id, gravity] of [
    ['R-134a', 1.208],
    ['R-22', 1.192],
    ['R-410A', 1.06],
  ] as const) {
    const limit = limitsOf(id, waterLb, tareLb).limits.find(({ rule }) => rule === 'eighty-percent-77F')!;
    expect(lb(limit.net) / (0.8 * waterLb * gravity)).toBeCloseTo(1, 2);
    expect(lb(limit.gross)).toBeCloseTo(lb(limit.net) + tareLb, 9);
  }
});

test.each(usual)(
  '$nominal: the nominal size is no limit; of R-410A less fits, and of a light refrigerant far less',
  ({ nominal, waterLb, tareLb }) => {
    const most = (id: string) => lb(limitsOf(id, waterLb, tareLb).ruling.net);
    expect(most('R-410A')).toBeLessThan(0.9 * waterLb);
    expect(most('R-290')).toBeLessThan(0.45 * waterLb);
    if (nominal.endsWith(' lb')) expect(most('R-410A')).toBeLessThan(Number.parseFloat(nominal));
  },
);

test('water capacities in pounds and litres are those of the trade', () => {
  const litres = usual.map(({ waterLb }) => volumeIn(volumeFrom(waterLb, 'lb-water'), 'L'));
  expect(litres.map((value) => Math.round(value * 10) / 10)).toEqual([11.9, 21.7, 55.9, 454.5]);
});

/**
 * 49 CFR 173.301(a)(8) and 178.51 (4BA), 178.61 (4BW), from memory: at 131 °F the pressure is at most 5/4 of the service pressure. R-22
 * stands there at about 300 psig and is at home in 4BA260; R-410A at about 490 psig needs 4BA400 or 4BW400.
 */
test.each([
  // about 297 psig at 130 °F on a pressure chart, 301 at 131 °F: just above 5/4 of 240
  ['R-22', 240, false],
  ['R-22', 260, true],
  ['R-410A', 260, false],
  ['R-410A', 350, false],
  ['R-410A', 400, true],
  ['R-134a', 240, true],
  ['R-404A', 260, false],
  ['R-404A', 350, true],
  ['R-290', 240, true],
] as const)('%s in a cylinder of %i psi: %s', (id, servicePsi, suits) => {
  const servicePa = servicePsi / pressureDifferenceIn(1, 'psig');
  expect(pressureRating([refrigerant(id).composition], { stamp: 'us', servicePressure: servicePa }).suits).toBe(suits);
});
