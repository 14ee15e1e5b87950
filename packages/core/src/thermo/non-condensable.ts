import type { Composition } from '../fluids/composition';
import { NoTwoPhaseState } from '../errors';
import { celsius } from '../units/temperature';
import type { CubicMetre, Kelvin, Kilogram, Pascal } from '../units/quantity';
import { unless } from '../unless';
import { closedVolume } from './closed-volume';
import type { ClosedVolume } from './vessel-states';
import { findRoot } from './find-root';
import { modelOf } from './mixture-model';
import { Phase } from './phase';
import { bubblePoint } from './saturation';

/** J/(mol K), CODATA 2018 */
const R = 8.31446261815324;

/** AHRI 700 gives the share of air at this temperature. */
const REFERENCE = celsius(25);

/**
 * Amount of air, mol, in a closed vessel whose vapour at 25 °C is air to `share` by volume. None where liquid fills it there: no vapour
 * holds any.
 * @param share 0 to below 1 @param T K at which it has this share, if it is another
 */
export function airIn(composition: Composition, V: CubicMetre, m: Kilogram, share: number, T = REFERENCE): number {
  if (share === 0) return 0;
  const vessel = closedVolume(composition, V, m, T);
  return ((share / (1 - share)) * vessel.p * vapourSpace(vessel, V)) / (R * T);
}

const vapourSpace = (vessel: ClosedVolume, V: CubicMetre): number => {
  if (vessel.state === 'two-phase' || vessel.state === 'two-liquids') return (1 - vessel.liquidVolumeFraction) * V;
  return vessel.state === 'vapour' ? V : 0;
};

interface WithGas {
  readonly vessel: ClosedVolume;
  readonly p: Pascal;
  readonly space: number;
}

/**
 * Pressure of a closed vessel that holds air or nitrogen beside its refrigerant, Pa absolute. The gas is ideal and stays in the vapour,
 * whose space shrinks as the liquid grows, and grows again a little as the gas presses on the liquid; a pressed liquid evaporates more
 * (Poynting). All three are solved together. How much gas dissolves is left out, which errs on the side of a higher pressure.
 * @param gas amount of it, mol
 * @throws OutOfRange, NoConvergence
 */
export const pressureWithGas = (composition: Composition, V: CubicMetre, m: Kilogram, T: Kelvin, gas: number): Pascal =>
  withGas(composition, V, m, T, gas).p;

/** The vessel without the gas, its pressure with it, and the space that is left to the gas, m³. */
export function withGas(composition: Composition, V: CubicMetre, m: Kilogram, T: Kelvin, gas: number): WithGas {
  const vessel = closedVolume(composition, V, m, T);
  if (gas === 0) return { vessel, p: vessel.p, space: vapourSpace(vessel, V) };
  if (vessel.state === 'two-liquids') return overTwoLiquids(vessel, V, T, gas);
  const liquid = liquidBeside(vessel, composition, T);
  if (liquid === undefined) return spreadThrough(vessel, V, T, gas);
  const { model, moleFraction, molarMass } = modelOf(liquid.composition);
  const phase = new Phase(model);
  const pressed = (space: number) => {
    phase.set(moleFraction, (m - liquid.rhoVapour * space) / (V - space) / molarMass).evaluate(T);
    return phase.p;
  };
  const above = (space: number, p: number) => liquid.p * Math.exp((p - liquid.p) / (phase.rhoTotal * R * T)) + (gas * R * T) / space;
  // in the logarithm of the space: a nearly full vessel leaves the gas a thousandth of it
  const excess = (ln: number) => {
    const p = Math.max(pressed(Math.exp(ln)), liquid.p);
    return Math.log(p / above(Math.exp(ln), p));
  };
  const least = Math.max(vapourSpace(vessel, V), LEAST_SPACE * V);
  const most = SQUEEZED.map((share) => Math.log(least + share * (V - least))).find((ln) => excess(ln) > 0);
  if (most === undefined) return spreadThrough(vessel, V, T, gas); // near its critical point a liquid gives way as a gas does
  const space = Math.exp(findRoot(excess, Math.log(least), most, SPACE_TOLERANCE));
  return { vessel, p: above(space, Math.max(pressed(space), liquid.p)) as Pascal, space };
}

/** Two liquids under a gas are taken for unyielding: its space is what they leave it, and the pressure rather too high. */
function overTwoLiquids(vessel: ClosedVolume, V: CubicMetre, T: Kelvin, gas: number): WithGas {
  const space = vapourSpace(vessel, V);
  return { vessel, p: (vessel.p + (gas * R * T) / space) as Pascal, space };
}

/** Without a liquid to press on, the gas has the whole volume. */
const spreadThrough = (vessel: ClosedVolume, V: CubicMetre, T: Kelvin, gas: number): WithGas => ({
  vessel,
  p: (vessel.p + (gas * R * T) / V) as Pascal,
  space: V,
});

const LEAST_SPACE = 1e-7;
/** By so much a gas may squeeze the liquid, a share of its volume: the first that holds against the gas brackets the answer. */
const SQUEEZED = [0.003, 0.01, 0.03, 0.08, 0.15, 0.3];
const SPACE_TOLERANCE = 1e-9;

/** The liquid that the gas presses on, and the vapour beside it; nothing where there is no liquid. */
function liquidBeside(vessel: Exclude<ClosedVolume, { state: 'two-liquids' }>, composition: Composition, T: Kelvin) {
  switch (vessel.state) {
    case 'vapour':
      return undefined;
    case 'two-phase':
      return { composition: vessel.liquid, p: vessel.p, rhoVapour: vessel.rhoVapour };
    case 'liquid-full':
      return atItsBubble(composition, T);
    default:
      return vessel satisfies never;
  }
}

/** Nothing in a dense gas above the critical point: the air spreads through it. */
const atItsBubble = (composition: Composition, T: Kelvin) =>
  unless(NoTwoPhaseState, () => {
    const { p, rhoVapour } = bubblePoint(composition, T);
    return { composition, p, rhoVapour };
  });

/**
 * Share by volume of the vapour that is air, 0 to 1: the partial pressure of the gas over the whole. Below the saturation pressure there is
 * none to be seen, and the share is 0.
 * @param measured absolute pressure, Pa, of a vessel at rest @param saturation bubble pressure at the temperature of its liquid, Pa
 */
export const gasShare = (measured: number, saturation: number): number =>
  measured <= saturation ? 0 : Math.min(1, (measured - saturation) / measured);
