import { kindOf, systemKinds } from '../circuit/system-kind';
import { refrigerant } from '../fluids/refrigerant';
import { bubblePoint } from '../thermo/saturation';
import { celsius } from '../units/temperature';
import { visitTerms, type VisitMasses } from './visit-terms';

const masses = (more: Partial<VisitMasses> = {}): VisitMasses => ({
  kind: 'split',
  composition: refrigerant('R-134a').composition,
  beforeKg: 5,
  lineKg: 0,
  recovered: [{ name: 'C-07', kg: 4.8 }],
  volume: { low: 0.008, likely: 0.01, high: 0.014 },
  purgedKg: 0,
  ...more,
});
const names = (visitMasses: Partial<VisitMasses>) => visitTerms(masses(visitMasses)).residual.map(({ term }) => term);

// Ideal gas, p V M / (R T): 101.325 kPa of R-134a (102.03 g/mol) in 10 L at 25 °C is 41.7 g; the real gas is 2 to 4 % denser.
test('the vapor that is left is that of its pressure in the volume of the circuit', () => {
  const [vapor] = visitTerms(masses({ end: { p: 101_325, T: celsius(25) } })).residual;
  expect(vapor).toMatchObject({ term: 'vapor', basis: 'vapor', from: { volume: 0.01 } });
  expect(vapor!.kg / 0.0417).toBeGreaterThan(1.01);
  expect(vapor!.kg / 0.0417).toBeLessThan(1.04);
  expect(vapor!.sigmaKg).toBeCloseTo((vapor!.kg * (0.014 - 0.008)) / 0.01 / 4, 9);
});

test('what nobody has read is no term, and no zero', () => {
  expect(names({})).not.toContain('vapor');
});

test('at its saturation pressure liquid may be left: there is no term for it, and it is said', () => {
  const full = visitTerms(masses({ end: { p: bubblePoint(refrigerant('R-134a').composition, celsius(25)).p, T: celsius(25) } }));
  expect([full.liquidMayBeLeft, full.residual.some(({ basis }) => basis === 'vapor')]).toEqual([true, false]);
  expect(visitTerms(masses({ end: { p: 2e6, T: celsius(25) } })).liquidMayBeLeft).toBe(true);
  expect(visitTerms(masses({ end: { p: 3e5, T: celsius(25) } })).liquidMayBeLeft).toBe(false);
});

test('a drier holds some where the circuit has one; what was purged is a term with a wide error', () => {
  expect(names({})).toContain('drier');
  for (const kind of systemKinds) expect([kind, names({ kind }).includes('drier')]).toEqual([kind, kindOf(kind).parts.includes('drier')]);
  const [purges] = visitTerms(masses({ purgedKg: 0.1 })).residual.filter(({ basis }) => basis === 'purges');
  expect([purges?.kg, purges?.sigmaKg]).toEqual([0.1, 0.05]);
});

test('a machine that nobody has purged keeps some; where nobody says so, it is none', () => {
  const kept = (machineUnpurged?: boolean) => visitTerms(masses({ machineUnpurged })).residual.filter(({ basis }) => basis === 'machine');
  expect(kept(true)).toMatchObject([{ kg: expect.closeTo(0.25, 9), sigmaKg: expect.closeTo(0.15, 9) }]);
  expect([kept(false), kept()]).toEqual([[], []]);
});

test('the line set is expected beside the record, also where the plate covers more than there is', () => {
  expect(visitTerms(masses({ lineKg: -0.2 })).expected).toMatchObject([
    { term: 'before' },
    { basis: 'line-set', kg: -0.2, sigmaKg: expect.closeTo(0.02, 9) },
  ]);
});

test('more than the circuit holds full of liquid is a scale or a tare that was read wrong', () => {
  const more = (kg: number) => visitTerms(masses({ recovered: [{ name: 'C-07', kg }] })).moreThanItHolds;
  // 14 L of R-134a at 25 °C (1207 kg/m³ saturated, NIST from memory): 16.9 kg
  expect([more(16.8), more(17)]).toEqual([false, true]);
});
