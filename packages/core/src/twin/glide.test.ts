import { refrigerant } from '../fluids/refrigerant';
import { leak } from '../thermo/leak';
import { cubicMetre, kilogram } from '../units/quantity';
import { celsius, fahrenheit } from '../units/temperature';
import { fluidTable } from './fluid-table';
import { leaving } from './flow';
import { simulate } from './simulate';
import { pressureAt, stateOf, totalEnergy } from './volume-state';

const of = (id: string) => refrigerant(id).composition;
const psig = (p: number) => (p - 101_325) / 6894.757;
const VOLUME = { V: 0.01, C: 1000 };
const T = celsius(25);

/** Pa in a half full vessel at 25 °C after these shares have left as vapor, by the twin's own ports. */
function drawnOff(id: string, shares: readonly number[]): readonly number[] {
  const table = fluidTable(of(id));
  const first = 0.5 * VOLUME.V * table.rhoLiquid.at(T);
  let [m, enriched] = [first, 0];
  const steps = 2000;
  return shares.map((share) => {
    while (m > (1 - share) * first) {
      const U = totalEnergy(table, VOLUME, m, T, enriched / m);
      const out = leaving(table, stateOf(table, VOLUME, m, U, T, enriched / m), 'high');
      m -= first / steps;
      enriched -= (out.enriched * first) / steps;
    }
    return pressureAt(table, m / VOLUME.V, T, enriched / m);
  });
}

describe('a blend whose vapor is drawn off', () => {
  // Reference: open-system distillation by the property core's own closed flash, which knows nothing of the twin's straight line.
  test.each([
    ['R-407C', 1.5],
    ['R-448A', 2],
    ['R-454B', 3],
    ['R-407A', 2],
    ['R-452A', 4],
  ])('%s stands within %d psi of the core’s distillation, to three quarters', (id, psi) => {
    const shares = [0.25, 0.5, 0.75];
    const m = 0.5 * VOLUME.V * fluidTable(of(id)).rhoLiquid.at(T);
    const known = leak(of(id), cubicMetre(VOLUME.V), kilogram(m), T, 'vapour', shares);
    for (const [k, p] of drawnOff(id, shares).entries()) expect(Math.abs(psig(p) - psig(known[k]!.p))).toBeLessThan(psi);
  });

  test('falls by what a frozen composition does not show', () => {
    const [, half, most] = drawnOff('R-407C', [0.25, 0.5, 0.75]);
    const table = fluidTable(of('R-407C'));
    const frozen = (share: number) => psig(pressureAt(table, (1 - share) * 0.5 * table.rhoLiquid.at(T), T));
    expect(frozen(0.5) - psig(half!)).toBeGreaterThan(12);
    expect(frozen(0.75) - psig(most!)).toBeGreaterThan(25);
  });

  test.each(['R-410A', 'R-404A', 'R-513A', 'R-134a', 'R-32'])('%s boils off as it is', (id) => {
    expect(fluidTable(of(id)).glide).toBeUndefined();
  });

  test('in a cylinder stands higher than the blend, in what is left of the system lower; nothing of either component is lost', () => {
    const scenario = (id: string) =>
      ({
        composition: of(id),
        system: { chargeKg: 5, temperatureK: fahrenheit(77), condenserM3: 6e-3, evaporatorM3: 6e-3 },
        cylinder: { volumeM3: 0.0217, tareKg: 12, contentKg: 0, temperatureK: fahrenheit(77), cooling: 'ice' },
        machine: 'two-cylinders',
        hoses: { size: '3/8', lengthM: 1.5, cores: 'out' },
        ambientK: fahrenheit(77),
        method: 'vapour',
        endPa: 101_325,
      }) as const;
    const { samples, balance } = simulate(scenario('R-407C'), 5);
    const table = fluidTable(of('R-407C'));
    const half = samples.find(({ systemKg }) => systemKg < 2.5)!;
    expect(half.headPa).toBeGreaterThan(table.pBubble.at(half.cylinderK));
    expect(balance.mass).toBeLessThan(1e-12);
    expect(balance.enriched).toBeLessThan(1e-12);
  });
});
