import type { Composition } from '../fluids/composition';
import { OutOfRange } from '../errors';
import { cubicMetre, kelvin, kilogram, type CubicMetre, type Kelvin, type Kilogram, type Pascal } from '../units/quantity';
import { caloric } from './caloric';
import { closedVolume } from './closed-volume';
import type { ClosedVolume } from './vessel-states';
import { hottestOf } from './equation-limits';
import { findRoot } from './find-root';
import { modelOf } from './mixture-model';
import { massDensity } from './phase';
import { endsOfBoiling } from './saturation';
import { singlePhase } from './single-phase';

/** A cubic metre, in which the states of given T and p are described. */
const UNIT_VOLUME = cubicMetre(1);
const LN_DENSITY_TOLERANCE = 1e-12;

/**
 * State at temperature and pressure, described as the content of 1 m³. A pure fluid on its boiling line has no one state: it is called
 * vapour below and liquid from the saturation pressure on.
 * @param p absolute pressure, Pa
 * @throws OutOfRange, NoConvergence
 */
export function flash(composition: Composition, T: Kelvin, p: Pascal): ClosedVolume {
  const ends = endsOfBoiling(composition, T);
  if (ends === undefined) return contentOf(composition, T, massDensity(singlePhase(composition, T, p, 'vapour')));
  const { bubble, dew } = ends;
  if (p >= bubble.p) return contentOf(composition, T, massDensity(singlePhase(composition, T, p, 'liquid')));
  if (p <= dew.p) return contentOf(composition, T, massDensity(singlePhase(composition, T, p, 'vapour')));
  const lnRho = findRoot(
    (x) => Math.log(contentOf(composition, T, Math.exp(x)).p / p),
    Math.log(dew.rhoVapour),
    Math.log(bubble.rhoLiquid),
    LN_DENSITY_TOLERANCE,
  );
  return contentOf(composition, T, Math.exp(lnRho));
}

const contentOf = (composition: Composition, T: Kelvin, rho: number) => closedVolume(composition, UNIT_VOLUME, kilogram(rho), T);

/** Internal energy of a vessel's content, J, from the zeros of the substances' equations. */
export const internalEnergy = (vessel: ClosedVolume, m: Kilogram): number =>
  vessel.phases.reduce((sum, { phase, massShare }) => sum + massShare * m * caloric(phase).internalEnergy, 0);

const TEMPERATURE_TOLERANCE = 1e-9;

/**
 * State of the mass `m` in the volume `V` with the internal energy `U`, J: the energy rises with temperature at a constant volume.
 * @throws OutOfRange where no temperature between the equations' limits gives that energy
 */
export function energyFlash(
  composition: Composition,
  V: CubicMetre,
  m: Kilogram,
  U: number,
): { readonly T: Kelvin; readonly vessel: ClosedVolume } {
  const { model } = modelOf(composition);
  const at = (T: number) => closedVolume(composition, V, m, kelvin(T));
  const energyAt = (T: number) => internalEnergy(at(T), m);
  const [coldest, hottest] = [Math.max(model.lowestT, COLDEST), Math.min(HOTTEST, hottestOf(model))];
  const [least, most] = [energyAt(coldest), energyAt(hottest)];
  if (U < least || U > most) throw new OutOfRange('internal energy', U, least, most, 'J');
  const T = kelvin(findRoot((t) => energyAt(t) - U, coldest, hottest, TEMPERATURE_TOLERANCE));
  return { T, vessel: at(T) };
}

/** K: what a vessel in this trade ever sees. */
const COLDEST = 200;
const HOTTEST = 450;
