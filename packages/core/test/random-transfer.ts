import { refrigerant } from '../src/fluids/refrigerant';
import {
  coolingsOfCylinder,
  fitsInCylinder,
  machineTasks,
  suctionsOfMachine,
  transferMethods,
  twinHoses,
  twinMachines,
} from '../src/twin/scenario';
import type { Deed, Scenario } from '../src/twin/scenario';
import { celsius } from '../src/units/temperature';
import { randomOf } from './simulated-hold';

const REFRIGERANTS = ['R-410A', 'R-22', 'R-134a', 'R-407C', 'R-32', 'R-404A', 'R-290', 'R-454B', 'R-448A'] as const;

/** Any transfer, with whatever people may do on the way; the same for the same seed. Nothing where the cylinder could never take it. */
export function randomTransfer(seed: number): Scenario | undefined {
  const random = randomOf(seed);
  const between = (low: number, high: number) => low + (high - low) * random();
  const pick = <T>(values: readonly T[]): T => values[Math.floor(random() * values.length)]!;
  const kg = between(0.2, 14);
  const [t, ambient, volumeM3] = [between(-5, 42), between(-5, 45), between(0.008, 0.06)];
  const deeds = Array.from({ length: Math.floor(4 * random()) }, (): Deed => {
    const at = between(0, 900);
    return pick<Deed>([
      { at, cooling: pick(coolingsOfCylinder) },
      { at, machine: pick(['on', 'off'] as const) },
      { at, valve: pick(['open', 'shut'] as const) },
      { at, task: pick(machineTasks) },
      { at, suction: pick(suctionsOfMachine) },
      { at, swap: true },
    ]);
  });
  const contentKg = between(0, 300) * volumeM3;
  const method = pick(transferMethods);
  const pushesBack = method === 'push-back';
  const scenario: Scenario = {
    composition: refrigerant(pick(REFRIGERANTS)).composition,
    system: {
      chargeKg: pushesBack ? 0 : kg,
      temperatureK: celsius(t),
      condenserM3: kg * 1.4e-3,
      evaporatorM3: kg * 1.2e-3,
      airKg: pick([0, 0, between(0, 0.05)]),
    },
    cylinder: {
      volumeM3,
      tareKg: 12,
      contentKg,
      temperatureK: celsius(t),
      cooling: pick(coolingsOfCylinder),
      ...(pushesBack ? { stopKg: Math.max(0, contentKg - kg) } : {}),
    },
    machine: pick([...twinMachines, null]),
    hoses: { size: pick(twinHoses), lengthM: 1.5, cores: pick(['in', 'out'] as const) },
    ambientK: celsius(ambient),
    method,
    endPa: pick([34_000, 101_325, 136_000]),
    deeds,
  };
  return method === 'pump-down' || pushesBack || fitsInCylinder(scenario) ? scenario : undefined;
}
