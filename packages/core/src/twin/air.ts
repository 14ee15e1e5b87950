import { OutOfRange } from '../errors';
import type { Composition } from '../fluids/composition';
import { airIn, gasShare, pressureWithGas } from '../thermo/non-condensable';
import { closedVolume } from '../thermo/closed-volume';
import { cubicMetre, kelvin, kilogram } from '../units/quantity';
import { celsius } from '../units/temperature';
import { unless } from '../unless';

/** kg/mol of dry air. */
const MOLAR_MASS = 0.028965;

export interface Holds {
  readonly composition: Composition;
  /** m³ and kg of the whole circuit. */
  readonly volume: number;
  readonly chargeKg: number;
}

/** kg of air where it is this share of the vapor at T; none where nothing can be said. @param share by volume, 0 to below 1 */
export const airOfShare = ({ composition, volume, chargeKg }: Holds, T: number, share: number): number =>
  MOLAR_MASS * (unless(OutOfRange, () => airIn(composition, cubicMetre(volume), kilogram(chargeKg), share, kelvin(T))) ?? 0);

/** Share by volume of the vapor at 25 °C, as an identifier has it. */
export function shareOfAir({ composition, volume, chargeKg }: Holds, airKg: number): number {
  const [V, m, T] = [cubicMetre(volume), kilogram(chargeKg), celsius(25)];
  return gasShare(pressureWithGas(composition, V, m, T, airKg / MOLAR_MASS), closedVolume(composition, V, m, T).p);
}
