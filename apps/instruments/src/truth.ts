import type { Cylinder } from '@hygromet/contract/cylinder';
import type { System } from '@hygromet/contract/system';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import type { Scenario, RecoveryMethod } from '@hygromet/core/twin/scenario';
import type { Noise } from './noise';

/** What a person sets up before hoses are connected. */
export interface SceneSetting {
  readonly system: string;
  readonly cylinder: string;
  readonly method: RecoveryMethod;
  readonly ambientK: number;
  /** kg of air that somebody has left in it. */
  readonly airKg?: number | undefined;
}

/** L of condenser and of evaporator with lines for a kilogram of charge: usual sizes (common practice). */
const [CONDENSER_PER_KG, EVAPORATOR_PER_KG] = [1.3e-3, 1.25e-3];
/** How far the truth is from the records, as standard deviations of logarithms. */
const HIDDEN = { charge: 0.1, flow: 0.3, pump: 0.12, machineCooling: 0.25, cylinderCooling: 0.3, oil: 0.4 };

/** The transfer as it really is: near the records, and never quite as they say. */
export function hiddenTruth({ method, ambientK, airKg }: SceneSetting, system: System, cylinder: Cylinder, noise: Noise): Scenario {
  const off = (sd: number) => Math.exp(sd * noise.normal());
  const plate = system.nameplateKg;
  const chargeKg = Math.max(0.05, Math.min(system.contentKg, 1.05 * plate) * off(HIDDEN.charge));
  return {
    composition: refrigerant(system.refrigerant).composition,
    system: {
      chargeKg,
      temperatureK: ambientK,
      condenserM3: Math.max(2e-4, CONDENSER_PER_KG * plate),
      evaporatorM3: Math.max(2e-4, EVAPORATOR_PER_KG * plate),
      airKg,
    },
    cylinder: {
      volumeM3: cylinder.volumeM3,
      tareKg: cylinder.tareWeighedKg ?? cylinder.tareKg,
      contentKg: Math.max(0, cylinder.contentKg),
      temperatureK: ambientK,
      cooling: 'still-air',
      // nobody shuts a simulated valve but the person at it
      stopKg: Number.POSITIVE_INFINITY,
    },
    machine: method === 'direct' || method === 'pump-down' ? null : 'two-cylinders',
    hoses: { size: '3/8', lengthM: 1.5, cores: 'out' },
    ambientK,
    method,
    endPa: 60_000,
    tuning: {
      flow: off(HIDDEN.flow),
      pump: off(HIDDEN.pump),
      machineCooling: off(HIDDEN.machineCooling),
      cylinderCooling: off(HIDDEN.cylinderCooling),
      oil: off(HIDDEN.oil),
    },
    deeds: [{ at: 0, valve: 'shut' }],
  };
}
