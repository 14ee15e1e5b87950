import { refrigerant } from '../fluids/refrigerant';
import { fahrenheit } from '../units/temperature';
import { fluidTable } from './fluid-table';
import { dissolvedAtRest, oilOf } from './oil';
import type { Scenario } from './scenario';
import { simulate } from './simulate';

const psi = (pa: number) => pa / 6894.757;
const T = fahrenheit(81);
const scenario = (lb: number, more: Partial<Scenario> = {}, oilKg?: number): Scenario => ({
  composition: refrigerant('R-410A').composition,
  system: { chargeKg: lb * 0.45359237, temperatureK: T, condenserM3: lb * 0.59e-3, evaporatorM3: lb * 0.55e-3, oilKg },
  cylinder: { volumeM3: 0.0217, tareKg: 12, contentKg: 0, temperatureK: T, cooling: 'still-air' },
  machine: 'two-cylinders',
  hoses: { size: '3/8', lengthM: 1.5, cores: 'out' },
  ambientK: T,
  method: 'liquid-first',
  endPa: 101_325,
  ...more,
});

/** psi by which a system that was recovered rises in so many seconds behind a shut valve. */
function creep(lb: number, seconds: number, oilKg?: number): number {
  const { t } = simulate(scenario(lb, {}, oilKg), 60).end;
  const shut = scenario(lb, { endPa: 2000, deeds: [{ at: t, machine: 'off' }, { at: t, valve: 'shut' }] }, oilKg); // prettier-ignore
  const { samples } = simulate(shut, 10, t + seconds);
  return psi(samples.at(-1)!.suctionPa - 101_325);
}

describe('oil of a compressor', () => {
  const table = fluidTable(refrigerant('R-410A').composition);

  test('holds by Raoult’s law, more under more pressure, and never all of it', () => {
    const oil = oilOf(10);
    const at = (p: number) => dissolvedAtRest(table, oil, p, T);
    expect(at(0)).toBe(0);
    // by moles: at a fifth of its own pressure a fourth as many moles as there are of oil, of 0.0726 kg each (molar mass of R-410A, ASHRAE 34)
    expect(at(0.2 * table.pBubble.at(T)) / oil.moles).toBeCloseTo(0.25 * 0.07258, 4);
    expect(at(table.pBubble.at(T))).toBeGreaterThan(at(0.3 * table.pBubble.at(T)));
    expect(at(table.pBubble.at(T))).toBeLessThan(1);
  });

  // Common practice: after the end the pressure creeps up by 1 to 5 psi in large units, by 5 to 19 in small ones.
  test('gives off after the end: a few psi in a large unit, more in a small one', () => {
    const [large, small] = [creep(35, 600), creep(8, 600)];
    expect(large).toBeGreaterThan(1);
    expect(large).toBeLessThan(7);
    expect(small).toBeGreaterThan(5);
    expect(small).toBeLessThan(22);
  });

  test('levels off: most of the rise comes early', () => {
    const [early, all] = [creep(19.8, 300), creep(19.8, 1500)];
    expect(early).toBeGreaterThan(0.6 * all);
  });

  test('without it nothing creeps but what the metal gives back', () => {
    expect(creep(19.8, 600, 0)).toBeLessThan(0.5 * creep(19.8, 600));
  });

  test('more of it leaves more in the system at the same pressure, and its mass is part of what is left', () => {
    const [little, much] = [simulate(scenario(19.8, {}, 0.2), 60), simulate(scenario(19.8, {}, 3), 60)];
    expect(much.end.leftKg).toBeGreaterThan(little.end.leftKg + 0.05);
    for (const { end, balance } of [little, much]) {
      expect(end.grossKg - 12 + end.leftKg).toBeLessThan(19.8 * 0.45359237 + 0.02);
      expect(balance.mass).toBeLessThan(1e-12);
      expect(balance.energy).toBeLessThan(1e-12);
    }
  });
});
