import { kelvin, pascal, type Kelvin, type Pascal } from '../units/quantity';
import { nitrogenDensity } from './nitrogen';
import data from './nitrogen-cylinders.json';
import { nitrogenNeeded } from './test-pressure';

/** What a nitrogen cylinder gives when it is full, cubic feet: as it is sold. Source: `nitrogen-cylinders.json`. */
export const nitrogenCylinders: readonly number[] = data.cubicFeet;

export interface SupplyTask {
  /** m³ under test. */
  readonly volumeM3: number;
  readonly setGaugePa: number;
  readonly T: number;
  readonly atmosphere: number;
  /** The cylinder, where it was said: its size, and Pa above the air on its gauge. */
  readonly cylinder?: { readonly cubicFeet: number; readonly gaugePa: number } | undefined;
}

export interface Supply {
  /** kg that the circuit takes up to the test pressure. */
  readonly neededKg: number;
  /** kg that the cylinder gives before it stands at the test pressure itself; nothing where it was not said. */
  readonly givesKg: number | undefined;
}

/** Of a gas at 2000 psig the pressure tells the content within a tenth: it warns, and decides nothing. */
export function nitrogenSupply({ volumeM3, setGaugePa, T, atmosphere, cylinder }: SupplyTask): Supply {
  const [at, air]: [Kelvin, Pascal] = [kelvin(T), pascal(atmosphere)];
  const neededKg = nitrogenNeeded(volumeM3, setGaugePa, at, air);
  if (cylinder === undefined) return { neededKg, givesKg: undefined };
  const share = Math.max(0, (cylinder.gaugePa - setGaugePa) / data.fullGaugePa);
  const freeM3 = cylinder.cubicFeet * data.litersPerCubicFoot * 1e-3;
  return { neededKg, givesKg: share * freeM3 * nitrogenDensity(at, air) };
}
