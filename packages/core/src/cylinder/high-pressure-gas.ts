import type { Composition } from '../fluids/composition';
import { flash } from '../thermo/flash';
import { kelvin, type Density, type Kelvin, type Pascal } from '../units/quantity';
import { saturatedLiquid } from './saturated-liquid';

/** P200 parts the liquefied gases there: above this critical temperature a share of liquid limits them, below it their pressure. */
const PARTING = kelvin(338.15);

/** Whether a gas has no liquid at 65 °C: its filling follows from a pressure. Source: P200 (2), from memory. */
export const isHighPressureGas = (composition: Composition): boolean => saturatedLiquid(composition, PARTING) === undefined;

/** The densest filling whose pressure at T is no more than `p`, absolute. @throws OutOfRange, NoConvergence */
export function densestAt(composition: Composition, T: Kelvin, p: Pascal): Density {
  const state = flash(composition, T, p);
  switch (state.state) {
    case 'vapour':
      return state.rhoVapour;
    case 'liquid-full':
      return state.rhoLiquid;
    case 'two-phase': {
      const { liquidVolumeFraction: share, rhoLiquid, rhoVapour } = state;
      return (share * rhoLiquid + (1 - share) * rhoVapour) as Density; // between two densities
    }
    case 'two-liquids': {
      const [lower, upper] = state.liquids;
      const vapour = (1 - state.liquidVolumeFraction) * state.rhoVapour;
      return (lower.volumeFraction * lower.rho + upper.volumeFraction * upper.rho + vapour) as Density; // a mean of densities
    }
    default:
      return state satisfies never;
  }
}
