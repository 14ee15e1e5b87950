import { NoTwoPhaseState } from '../errors';
import type { Composition } from '../fluids/composition';
import { massDensity } from '../thermo/phase';
import { dewPoint } from '../thermo/saturation';
import { singlePhase } from '../thermo/single-phase';
import { kelvin, pascal, type Pascal } from '../units/quantity';
import { unless } from '../unless';
import { nitrogenDensity } from './nitrogen';
import data from './viscosities.json';

/** A leak is judged at room temperature, with vapour at 0.9 of saturation on the inside: what a system under charge has there. */
const T = kelvin(298.15);
const OF_SATURATION = 0.9;
/** Above the critical temperature no pressure is that of saturation: that of a charged system in the heat. */
const GAS_PRESSURE = pascal(6e6);
const AIR = pascal(101_325);
/** Isentropic exponents: of nitrogen, and of vapours of refrigerants as a rule. */
const [NITROGEN_EXPONENT, VAPOUR_EXPONENT] = [1.4, 1.12];
const SLICES = 8;

/**
 * kg of refrigerant vapour in the time in which a kilogram of nitrogen leaves by the same hole: choked flow through a hole, and laminar flow
 * through a path, the span of both being what is known. Sources: Roth, Vacuum Technology; EN 1779; Shapiro (from memory).
 * @param nitrogen pressure of the test, Pa absolute
 */
export function refrigerantPerNitrogen(composition: Composition, nitrogen: Pascal): { readonly low: number; readonly high: number } {
  const p = unless(NoTwoPhaseState, () => pascal(OF_SATURATION * dewPoint(composition, T).p)) ?? GAS_PRESSURE;
  const rho = (at: Pascal) => massDensity(singlePhase(composition, T, at, 'vapour'));
  const choked = chokedFlux(rho(p), p, VAPOUR_EXPONENT) / chokedFlux(nitrogenDensity(T, nitrogen), nitrogen, NITROGEN_EXPONENT);
  const laminar = laminarFlux(rho, p, viscosityOf(composition)) / laminarFlux((at) => nitrogenDensity(T, at), nitrogen, data.nitrogen);
  return { low: Math.min(choked, laminar), high: Math.max(choked, laminar) };
}

const chokedFlux = (rho: number, p: number, g: number): number => Math.sqrt(g * rho * p * (2 / (g + 1)) ** ((g + 1) / (g - 1)));

/** Of a real gas: the integral of density over viscosity, from the air up. */
function laminarFlux(rho: (at: Pascal) => number, p: Pascal, viscosity: number): number {
  let sum = 0;
  for (let k = 0; k < SLICES; k++) sum += rho(pascal(AIR + ((p - AIR) * (k + 0.5)) / SLICES));
  return (sum * (p - AIR)) / SLICES / viscosity;
}

const substances: Readonly<Record<string, number>> = data.substances;
const viscosityOf = (composition: Composition): number =>
  Object.entries(composition).reduce((sum, [substance, share]) => sum + share * (substances[substance] ?? data.usual), 0);
