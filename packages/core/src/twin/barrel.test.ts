import fc from 'fast-check';
import { refrigerant } from '../fluids/refrigerant';
import { enthalpyOfWater, usualBarrelKg, wallBetween, waterAt } from './barrel';
import type { Scenario } from './scenario';
import { simulate } from './simulate';

const KG = 62;
/** A chiller with R-134a, its water standing or not. */
const chiller = (more: Partial<Scenario>, barrelKg: number | undefined = usualBarrelKg(KG), T = 297): Scenario => ({
  composition: refrigerant('R-134a').composition,
  system: { chargeKg: KG, temperatureK: T, condenserM3: 0.088, evaporatorM3: 0.072, barrelKg },
  cylinder: { volumeM3: 0.1, tareKg: 30, contentKg: 0, temperatureK: T, cooling: 'still-air' },
  machine: 'two-cylinders',
  hoses: { size: '3/8', lengthM: 1.5, cores: 'out' },
  ambientK: T,
  method: 'vapour',
  endPa: 101_325,
  ...more,
});
const frozen = (run: Scenario) => simulate(run, 30).events.find(({ kind }) => kind === 'tubes-freeze')?.t;

describe('standing water', () => {
  test('keeps its freezing point while any of it is ice, and its enthalpy tells its temperature', () => {
    fc.assert(
      fc.property(fc.double({ min: 240, max: 310, noNaN: true }), fc.double({ min: 0.1, max: 500, noNaN: true }), (at, kg) => {
        expect(waterAt(kg, enthalpyOfWater(kg, at))).toBeCloseTo(at, 6);
      }),
    );
    // heat of melting 334 kJ/kg, published tables
    expect(waterAt(10, -10 * 100_000)).toBe(273.15);
    expect(enthalpyOfWater(1, 273.15) - enthalpyOfWater(1, 273.1499)).toBeCloseTo(334_000, -1);
  });

  test('its tubes stand near the refrigerant', () => {
    expect(wallBetween(270, 283)).toBeGreaterThan(270);
    expect(wallBetween(270, 283)).toBeLessThan(273.15);
  });
});

// common practice: a chiller without water freezes within a minute by its own compressor, in an hour or two by a recovery machine
test('from chilled water its own compressor freezes the tubes within a minute, a recovery machine in an hour or two', () => {
  const CHILLED = 285;
  const own = (from: number) => frozen(chiller({ method: 'pump-down', machine: null, endPa: 150_000 }, usualBarrelKg(KG), from))!;
  expect(own(CHILLED)).toBeGreaterThan(5);
  expect(own(CHILLED)).toBeLessThan(60);
  expect(own(297)).toBeGreaterThan(own(CHILLED));
  expect(own(297)).toBeLessThan(120);
  const machine = frozen(chiller({}, usualBarrelKg(KG), CHILLED))!;
  expect(machine / 60).toBeGreaterThan(40);
  expect(machine / 60).toBeLessThan(150);
});

test('while the wall is at its freezing point R-134a stands at 25 to 28 psig', () => {
  const run = simulate(chiller({ method: 'pump-down', machine: null, endPa: 150_000 }), 0.2);
  const at = run.events.find(({ kind }) => kind === 'tubes-freeze')!.t;
  const { suctionPa } = run.samples.find(({ t }) => t >= at)!;
  const psig = (suctionPa - 101_325) / 6894.757;
  expect(psig).toBeGreaterThan(23);
  expect(psig).toBeLessThan(28);
});

test('where no water stands no tube freezes; with it nothing is lost', () => {
  expect(frozen(chiller({ method: 'pump-down', machine: null, endPa: 150_000 }, 0))).toBeUndefined();
  const { balance } = simulate(chiller({}), 60);
  expect(balance.mass).toBeLessThan(1e-12);
  expect(balance.energy).toBeLessThan(1e-12);
});
