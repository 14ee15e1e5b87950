import type { CubicMetre, Kelvin, Pascal } from '../units/quantity';
import type { ClosedVolume } from './closed-volume';

/** J/(mol K), CODATA 2018 */
const R = 8.31446261815324;

/**
 * Pressure of a vessel that holds air or nitrogen beside its refrigerant, Pa absolute. The gas is ideal and stays in the vapour: how much of
 * it dissolves is not published for most refrigerants, and the combining rule misjudges it several times over.
 * @param gas amount of it, mol
 */
export function pressureWithGas(vessel: ClosedVolume, V: CubicMetre, T: Kelvin, gas: number): Pascal {
  if (gas === 0 || vessel.state === 'liquid-full') return vessel.p;
  const space = vessel.state === 'two-phase' ? (1 - vessel.liquidVolumeFraction) * V : V;
  return (vessel.p + (gas * R * T) / space) as Pascal;
}

/**
 * Share by volume of the vapour that is air, 0 to 1: the partial pressure of the gas over the whole. Below the saturation pressure there is
 * none to be seen, and the share is 0.
 * @param measured absolute pressure, Pa, of a vessel at rest @param saturation bubble pressure at the temperature of its liquid, Pa
 */
export const gasShare = (measured: Pascal, saturation: Pascal): number => Math.max(0, (measured - saturation) / measured);
