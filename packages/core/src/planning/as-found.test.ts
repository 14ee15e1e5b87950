import { allRefrigerants, refrigerant } from '../fluids/refrigerant';
import { CoreError } from '../errors';
import { bubblePoint } from '../thermo/saturation';
import { unless } from '../unless';
import { pressureDifferenceIn, pressureFrom, STANDARD_ATMOSPHERE } from '../units/pressure';
import { cubicMetre, pascal } from '../units/quantity';
import { celsius, fahrenheit } from '../units/temperature';
import { asFound, fallByHoses } from './as-found';

const composition = refrigerant('R-410A').composition;
const circuit = cubicMetre(8e-3);
const at = (psig: number, tF = 80) =>
  asFound(composition, pressureFrom(psig, 'psig', STANDARD_ATMOSPHERE), fahrenheit(tF), STANDARD_ATMOSPHERE, circuit);

// R-410A at 80 °F stands at 236 psig (pressure–temperature card, common practice).
test('at saturation there is liquid', () => {
  expect(at(236).state).toBe('liquid');
});

test('below saturation only vapour is left, and how much of it at most', () => {
  const found = at(100);
  expect(found.state).toBe('vapour-only');
  // 7.9 bar of vapour in 8 L are some 230 g: ideal gas gives 227 g
  expect(found.state === 'vapour-only' && found.mostKg).toBeCloseTo(0.24, 1);
});

test('above saturation there is air or something else, with the share air would have', () => {
  const found = at(300);
  expect(found).toMatchObject({ state: 'air-or-other' });
  expect(found.state === 'air-or-other' && found.airShare).toBeGreaterThan(0.15);
});

test('within a pound of nothing it is flat, wherever the site lies', () => {
  expect(at(0.5).state).toBe('flat');
  const high = pascal(83_500);
  expect(asFound(composition, pascal(85_000), celsius(20), high, circuit).state).toBe('flat');
});

test('where a vacuum has to be reached, 0 psig is not flat: it is vapour at 0 psig, or air', () => {
  const r134a = refrigerant('R-134a').composition;
  const tenInches = pascal(STANDARD_ATMOSPHERE - 33_864); // 40 CFR 82.156: medium pressure, 200 lb or more
  const chiller = (p: number) => asFound(r134a, pascal(p), celsius(20), STANDARD_ATMOSPHERE, cubicMetre(0.3), tenInches);
  expect(chiller(STANDARD_ATMOSPHERE)).toMatchObject({ state: 'vapour-only' });
  expect(chiller(60_000)).toEqual({ state: 'flat', how: 'vacuum' });
  expect(at(-5)).toEqual({ state: 'flat', how: 'vacuum' });
  expect(at(0)).toEqual({ state: 'flat', how: 'atmospheric' });
});

test('a day too warm for liquid of R-744 leaves vapour, whatever the pressure', () => {
  const carbonDioxide = refrigerant('R-744').composition;
  expect(asFound(carbonDioxide, pascal(6e6), celsius(40), STANDARD_ATMOSPHERE, circuit).state).toBe('vapour-only');
});

// Common practice: three 3/8 in hoses take about 4 psi from 102 psig of vapour; 5 L of circuit, hoses of 1.2 m and 8 mm bore.
test('connecting hoses is seen on a system that holds vapour alone', () => {
  const hoses = cubicMetre(3 * ((Math.PI * 0.008 ** 2) / 4) * 1.2);
  const fall = fallByHoses(pressureFrom(102, 'psig', STANDARD_ATMOSPHERE), cubicMetre(5e-3), hoses);
  expect(pressureDifferenceIn(fall, 'psig')).toBeCloseTo(4, 0);
});

test('a blend with a glide that stands between its points still has liquid', () => {
  const zeotrope = refrigerant('R-407C').composition;
  const p = pascal(0.95 * bubblePoint(zeotrope, celsius(25)).p);
  expect(asFound(zeotrope, p, celsius(25), STANDARD_ATMOSPHERE, circuit).state).toBe('liquid');
});

test('of no refrigerant is a system with liquid in it taken for flat, at whatever temperature, level and pressure of the air', () => {
  for (const { id, composition: one } of allRefrigerants)
    for (const t of [-25, -10, 5, 20, 35]) {
      const p = unless(CoreError, () => bubblePoint(one, celsius(t)).p);
      if (p === undefined) continue; // it freezes, or is above its critical temperature
      for (const air of [STANDARD_ATMOSPHERE, pascal(70_000)])
        for (const level of [air, pascal(0.6 * air)])
          expect([id, t, asFound(one, p, celsius(t), air, circuit, level).state]).toEqual([id, t, 'liquid']);
    }
});

// R-123 boils at 27.8 °C (from memory): full of liquid, a machine stands in a vacuum on any cooler day.
test('a low-pressure chiller that stands in a vacuum is full, not flat, also where 0 psig is all that is asked', () => {
  const r123 = refrigerant('R-123').composition;
  expect(asFound(r123, pascal(75_600), celsius(20), STANDARD_ATMOSPHERE, cubicMetre(1)).state).toBe('liquid');
  expect(asFound(r123, pascal(20_000), celsius(20), STANDARD_ATMOSPHERE, cubicMetre(1))).toEqual({ state: 'flat', how: 'vacuum' });
});
