import type { Composition } from '../fluids/composition';
import { NoTwoPhaseState } from '../errors';
import { bubblePoint } from '../thermo/saturation';
import type { Density, Kelvin, Pascal } from '../units/quantity';
import { unless } from '../unless';

export interface SaturatedLiquid {
  readonly rho: Density;
  readonly p: Pascal;
}

/**
 * A rack asks for the same few temperatures of the same few refrigerants, thousands of times. They are remembered by the composition
 * itself (the object, not its content), so that nothing outlives it; a state that is asked for again is the state that was computed.
 */
const remembered = new WeakMap<Composition, Map<Kelvin, SaturatedLiquid | undefined>>();
/** Rules ask for half a dozen temperatures; whoever asks for more is dragging one. */
const MOST_TEMPERATURES = 64;

/** Liquid at its bubble point; nothing where this refrigerant has no liquid at T. @throws OutOfRange, LiquidParts, NoConvergence */
export function saturatedLiquid(composition: Composition, T: Kelvin): SaturatedLiquid | undefined {
  const known = remembered.get(composition) ?? new Map<Kelvin, SaturatedLiquid | undefined>();
  if (known.has(T)) return known.get(T);
  if (known.size >= MOST_TEMPERATURES) known.clear();
  const state = computed(composition, T);
  remembered.set(composition, known.set(T, state));
  return state;
}

const computed = (composition: Composition, T: Kelvin): SaturatedLiquid | undefined =>
  unless(NoTwoPhaseState, () => {
    const { rhoLiquid, p } = bubblePoint(composition, T);
    return { rho: rhoLiquid, p };
  });
