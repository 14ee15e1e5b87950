import data from './parameters.json';

const { ice, melting, water, kgPerKg, UAPerKg, filmShare } = data.barrel;

/** kg of water that usually stand in the barrel of an evaporator of this charge. */
export const usualBarrelKg = (chargeKg: number): number => kgPerKg * chargeKg;

/** W/K between the refrigerant of an evaporator and water that stands around its tubes. */
export const barrelUA = (chargeKg: number): number => UAPerKg * chargeKg;

/** J of standing water or of its ice, above water at its freezing point. @param T K */
export const enthalpyOfWater = (kg: number, T: number): number =>
  T >= melting.T ? kg * water * (T - melting.T) : kg * (ice * (T - melting.T) - melting.heat);

/** K at which standing water of this enthalpy is: it stays at its freezing point while any of it is ice. @param H J */
export function waterAt(kg: number, H: number): number {
  if (H >= 0) return melting.T + H / (kg * water);
  return H >= -kg * melting.heat ? melting.T : melting.T + (H / kg + melting.heat) / ice;
}

/**
 * K of the wall of the tubes, between the film of the boiling refrigerant and that of the water. Ice grows on it and bursts them while the
 * water is still warm: it is the wall that is warned of.
 */
export const wallBetween = (refrigerantK: number, waterK: number): number => refrigerantK + filmShare * (waterK - refrigerantK);

export const wallFreezes = (refrigerantK: number, waterK: number): boolean => wallBetween(refrigerantK, waterK) < melting.T;
