import { refrigerant } from '../fluids/refrigerant';
import { closedVolume } from '../thermo/closed-volume';
import { withGas } from '../thermo/non-condensable';
import { cubicMetre, kilogram } from '../units/quantity';
import { celsius, fahrenheit } from '../units/temperature';
import { airOfShare, shareOfAir } from './air';
import { fluidTable } from './fluid-table';
import type { Scenario } from './scenario';
import { simulate } from './simulate';
import { stateOf, totalEnergy } from './volume-state';

const composition = refrigerant('R-410A').composition;
const psi = (pa: number) => pa / 6894.757;
const T = fahrenheit(81);
const scenario = (airKg: number, more: Partial<Scenario> = {}): Scenario => ({
  composition,
  system: { chargeKg: 9, temperatureK: T, condenserM3: 11.7e-3, evaporatorM3: 10.9e-3, airKg },
  cylinder: { volumeM3: 0.0217, tareKg: 12, contentKg: 0, temperatureK: T, cooling: 'still-air' },
  machine: 'two-cylinders',
  hoses: { size: '3/8', lengthM: 1.5, cores: 'out' },
  ambientK: T,
  method: 'liquid-first',
  endPa: 101_325,
  ...more,
});

describe('a share of air', () => {
  const holds = { composition, volume: 0.0226, chargeKg: 9 };

  test('is so many grams, and those grams are that share', () => {
    // the gas presses on the liquid and finds a little less room: 4 % more at the most
    for (const share of [0.01, 0.05, 0.15])
      expect(Math.abs(shareOfAir(holds, airOfShare(holds, celsius(25), share)) / share - 1)).toBeLessThan(0.05);
    expect(airOfShare(holds, celsius(25), 0)).toBe(0);
  });

  test('shows at rest as the pressure that it was read from', () => {
    const known = closedVolume(composition, cubicMetre(holds.volume), kilogram(9), T).p;
    const read = known + 20 * 6894.757;
    const airKg = airOfShare(holds, T, (read - known) / read);
    expect(simulate(scenario(airKg), 60).samples[0]!.suctionPa / read).toBeCloseTo(1, 2);
  });
});

describe('air in the refrigerant', () => {
  // Reference: the property core's vessel with gas, where liquid is pressed and evaporates more.
  test.each([0.2, 0.5, 0.8])('stands over the liquid as the core has it, %d of the volume full', (share) => {
    const table = fluidTable(composition);
    const volume = { V: 0.02, C: 3600 };
    const m = share * volume.V * table.rhoLiquid.at(celsius(25));
    const air = 0.01;
    const state = stateOf(table, volume, m, totalEnergy(table, volume, m, celsius(25)), celsius(25), 0, air);
    // 28.96 g/mol: dry air
    const known = withGas(composition, cubicMetre(volume.V), kilogram(m), celsius(25), air / 0.02896);
    expect(state.p / known.p).toBeCloseTo(1, 2);
    expect(state.pAir / state.p).toBeCloseTo((known.p - known.vessel.p) / known.p, 2);
  });

  // Common practice: 30 g of air in the rooftop unit show as +11 to +35 psi at rest, and the head stands higher as the cylinder fills.
  test('shows at rest, and in the head, which it raises more as the cylinder fills', () => {
    const [clean, aired] = [simulate(scenario(0), 5), simulate(scenario(0.03), 5)];
    const atRest = psi(aired.samples[0]!.suctionPa - clean.samples[0]!.suctionPa);
    expect(atRest).toBeGreaterThan(11);
    expect(atRest).toBeLessThan(40);
    const over = (share: number) => {
      const at = (run: typeof clean) => run.samples.find(({ systemKg }) => systemKg < share * 9)!;
      return at(aired).headPa - at(clean).headPa;
    };
    expect(psi(over(0.1))).toBeGreaterThan(5);
    expect(over(0.1)).toBeGreaterThan(over(0.7));
  });

  test('goes along with the vapor, all of it accounted for, and changes no balance', () => {
    const { balance, end } = simulate(scenario(0.03), 60);
    expect(end.reason).toBe('reached');
    expect(balance.mass).toBeLessThan(1e-12);
    expect(balance.energy).toBeLessThan(1e-12);
    expect(balance.air).toBeLessThan(1e-12);
  });

  test('that no system holds is refused before it starts', () => {
    expect(() => simulate(scenario(-0.1), 60)).toThrow(/air in the system/);
    expect(() => simulate(scenario(Number.NaN), 60)).toThrow(/air in the system/);
  });
});
