import { refrigerant } from '../fluids/refrigerant';
import { massFrom, massIn } from '../units/mass';
import { kelvin, kilogram, type Metre } from '../units/quantity';
import { fahrenheit } from '../units/temperature';
import { chargeTarget, floodedCharge, perMetre, receiverHolds, type ChargeTask } from './charge-target';
import { feedRate, feedingRules, goesInStanding } from './feeding';

const of = (id: string) => refrigerant(id).composition;
const FOOT = 0.3048;
const ouncesPerFoot = (kgPerMetre: number) => massIn(kilogram(kgPerMetre * FOOT), 'oz');

// Common practice, and computed by prototypes: ounces a foot of 3/8 in liquid line at 95 °F and of 3/4 in suction line.
test.each([
  ['R-410A', 0.53, 0.09],
  ['R-22', 0.61, 0.06],
  ['R-407C', 0.58, 0.06],
  ['R-32', 0.48, 0.07],
  ['R-454B', 0.5, 0.07],
  ['R-134a', 0.62, 0.04],
  ['R-448A', 0.55, 0.07],
  ['R-290', 0.25, 0.03],
])('%s takes %d oz a foot of liquid line and %d of suction line', (id, liquid, suction) => {
  expect(Math.abs(ouncesPerFoot(perMetre(of(id), '3/8', 'liquid')) - liquid)).toBeLessThan(0.02);
  expect(Math.abs(ouncesPerFoot(perMetre(of(id), '3/4', 'suction')) - suction)).toBeLessThan(0.02);
});

const task: ChargeTask = {
  composition: of('R-410A'),
  plateKg: massFrom(112, 'oz'),
  lineSet: { length: ((15 + 35) * FOOT) as Metre, covered: (15 * FOOT) as Metre, liquid: '3/8', suction: '3/4' },
  drierKg: 0,
  hose: { bore: '1/4', lengthM: 1.5, givenBack: true },
};

// 112 oz on the plate and 35 ft beyond it: 134 oz, within 3.2 (a worked budget).
test('the charge is the plate and what the lines take beyond it, with its error', () => {
  const { kg, sigmaKg, budget } = chargeTarget(task);
  expect(Math.abs(massIn(kilogram(kg), 'oz') - 134)).toBeLessThan(1.5);
  expect(Math.abs(massIn(kilogram(sigmaKg), 'oz') - 3.2)).toBeLessThan(0.8);
  expect(budget.reduce((sum, line) => sum + line.kg, 0)).toBeCloseTo(kg, 12);
  expect(budget[0]?.term).toBe('plate');
});

test('a line that is shorter than what the plate covers takes charge away; a hose that is not given back takes some along', () => {
  const short = chargeTarget({ ...task, lineSet: { ...task.lineSet!, length: (5 * FOOT) as Metre } });
  expect(short.kg).toBeLessThan(task.plateKg);
  const kept = chargeTarget({ ...task, hose: { ...task.hose!, givenBack: false } });
  expect(massIn(kilogram(kept.kg - chargeTarget(task).kg), 'oz')).toBeCloseTo(1.1, 0);
  expect(() => chargeTarget({ ...task, plateKg: 0 })).toThrow(/charge on the plate/);
});

// Flooded head-pressure control, TD 20 °F, set to 90 °F: common practice.
test.each([
  [60, 0.39],
  [40, 0.63],
  [20, 0.74],
  [0, 0.8],
  [-20, 0.83],
])('at %d °F the condenser is flooded to %d', (outdoorF, share) => {
  const flooded = floodedCharge({
    composition: of('R-449A'),
    condenserM3: 0.006,
    setK: fahrenheit(90),
    outdoorK: fahrenheit(outdoorF),
    differenceK: 20 / 1.8,
  });
  expect(flooded.share).toBeCloseTo(share, 1);
  expect(flooded.kg).toBeGreaterThan(0);
});

test('in the warm nothing is flooded, and a receiver holds less the hotter it gets', () => {
  const warm = { composition: of('R-449A'), condenserM3: 0.006, setK: fahrenheit(90), outdoorK: fahrenheit(95), differenceK: 11 };
  expect(floodedCharge(warm)).toEqual({ share: 0, kg: 0 });
  expect(receiverHolds(of('R-449A'), 0.0105, fahrenheit(130))).toBeLessThan(receiverHolds(of('R-449A'), 0.0105, fahrenheit(90)));
});

// Share of the flow for each kelvin of superheat to spare (worked by prototypes), per cent.
test.each([
  ['R-410A', 0.64],
  ['R-22', 0.43],
  ['R-407C', 0.55],
  ['R-32', 0.48],
  ['R-454B', 0.54],
  ['R-134a', 0.54],
  ['R-448A', 0.59],
  ['R-290', 0.55],
])('%s evaporates %d %% of the flow for each kelvin', (id, percent) => {
  const { sharePerK } = feedRate({ composition: of(id), superheatK: 14, massFlow: 0.05 });
  expect(Math.abs((100 * sharePerK) / percent - 1)).toBeLessThan(0.12);
});

test('without superheat to spare nothing is fed, and more superheat never allows less', () => {
  const rate = (superheatK: number) => feedRate({ composition: of('R-410A'), superheatK, massFlow: 0.05 }).kgPerS;
  expect(rate(feedingRules.keptSuperheatK)).toBe(0);
  expect(rate(0)).toBe(0);
  expect(rate(-3)).toBe(0);
  for (const K of [6, 8, 12, 20]) expect(rate(K + 1)).toBeGreaterThan(rate(K));
  expect(() => feedRate({ composition: of('R-410A'), superheatK: 400, massFlow: 0.05 })).toThrow(/superheat/);
});

test('into a standing system all goes where it is not warmer than the cylinder, and less the warmer it is', () => {
  expect([goesInStanding(-5), goesInStanding(0), goesInStanding(40)]).toEqual([1, 1, 0.19]);
  for (const K of [0, 2, 4, 8, 12]) expect(goesInStanding(K + 1)).toBeLessThanOrEqual(goesInStanding(K));
  expect(kelvin(feedingRules.warmestCylinderK)).toBeCloseTo(fahrenheit(125), 1);
});

// Common practice: a new condensing unit is shipped with the charge of its plate, which covers a length of line set.
test('a unit that came charged takes what its lines take beyond the plate, and nothing where they are shorter', () => {
  const lineSet = (feet: number) => ({
    length: (feet * FOOT) as Metre,
    covered: (15 * FOOT) as Metre,
    liquid: '3/8' as const,
    suction: '3/4' as const,
  });
  const of410 = (more: Partial<ChargeTask>) => chargeTarget({ composition: of('R-410A'), plateKg: 3.2, cameWithKg: 3.2, ...more });
  const longer = of410({ lineSet: lineSet(50) });
  expect(massIn(kilogram(longer.kg), 'oz')).toBeCloseTo(35 * 0.62, -1);
  expect(longer.beyondKg).toBe(0);
  const shorter = of410({ lineSet: lineSet(8) });
  expect([shorter.kg, of410({}).kg]).toEqual([0, 0]);
  expect(shorter.beyondKg).toBeGreaterThan(0.05);
  // whoever evacuates it weighs in the whole of it
  expect(chargeTarget({ composition: of('R-410A'), plateKg: 3.2, lineSet: lineSet(50) }).kg - longer.kg).toBeCloseTo(3.2, 9);
});
