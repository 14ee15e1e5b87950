import type { Composition } from '../fluids/composition';
import { NoTwoPhaseState } from '../errors';
import { reducingTemperature } from './reducing';
import { modelOf } from './mixture-model';
import { bubblePoint } from './saturation';
import { kelvin, type Density, type Kelvin } from '../units/quantity';

const found = new WeakMap<Composition, { readonly T: Kelvin; readonly rho: Density }>();

/** The hottest and lightest liquid of a refrigerant, at the end of its boiling line as far as that is followed. */
export function endOfLine(composition: Composition): { readonly T: Kelvin; readonly rho: Density } {
  const known = found.get(composition) ?? search(composition);
  found.set(composition, known);
  return known;
}

function search(composition: Composition): { readonly T: Kelvin; readonly rho: Density } {
  const { model, moleFraction } = modelOf(composition);
  const T = lastTemperature(composition, 1.2 * reducingTemperature(model, moleFraction));
  return { T, rho: bubblePoint(composition, T).rhoLiquid };
}

/** Asked for a temperature beyond it, the line tells where it ended; a hair below it there is a state to describe. */
function lastTemperature(composition: Composition, beyond: number): Kelvin {
  try {
    bubblePoint(composition, kelvin(beyond));
    return kelvin(beyond);
  } catch (error) {
    if (error instanceof NoTwoPhaseState) return kelvin(error.highestT * (1 - HAIR));
    throw error;
  }
}

const HAIR = 1e-9;
