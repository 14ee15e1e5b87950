import type { Composition } from '../fluids/composition';
import { CoreError, OutOfRange } from '../errors';
import { kelvin, type Density, type Kelvin, type Pascal } from '../units/quantity';
import { unless } from '../unless';
import { solveEquilibrium } from './equilibrium';
import { endOfLine } from './end-of-line';
import { refuseBeyondEquation, refuseTooHot } from './equation-limits';
import { findRoot } from './find-root';
import { modelOf } from './mixture-model';
import { mixtureLiquidGuess } from './ancillary';
import { Phase } from './phase';
import { reducingTemperature } from './reducing';
import { bubblePoint, equilibriumOf, startAt } from './saturation';

export interface LiquidFull {
  /** The temperature at which the last bubble goes: ρ′(T) = m/V. */
  readonly T: Kelvin;
  /** Saturation pressure there, Pa absolute. */
  readonly p: Pascal;
  /** ∂p/∂T of the compressed liquid at that density, Pa/K: what each further kelvin adds. */
  readonly slope: number;
  readonly estimated: boolean;
}

const TEMPERATURE_TOLERANCE = 1e-9;
const ESTIMATE_TOLERANCE = 0.1;
/** K: an answer farther from corresponding states is looked for again between known points. */
const TRUSTED = 15;

/**
 * Temperature at which a closed vessel filled to `rho` (mass over volume) is full of liquid.
 * @throws OutOfRange where no liquid of this refrigerant has that density: denser than the coldest liquid, or so light that the
 *   content turns to one phase above the critical temperature before liquid fills the vessel
 */
export function liquidFull(composition: Composition, rho: Density): LiquidFull {
  const T = directly(composition, rho) ?? betweenPoints(composition, rho);
  const { p, estimated } = bubblePoint(composition, T);
  return { T, p, slope: pressureRise(composition, rho, T), estimated };
}

/** ∂p/∂T, Pa/K, of liquid of density `rho` that fills its vessel at `T`. */
export const pressureRise = (composition: Composition, rho: Density, T: Kelvin): number => filledWith(composition, rho, T).dpdT;

/** Pressure, Pa absolute, of a vessel full of compressed liquid of density `rho` at `T`. */
export function compressedLiquidPressure(composition: Composition, rho: Density, T: Kelvin): Pascal {
  refuseTooHot(composition, T);
  const phase = filledWith(composition, rho, T);
  refuseBeyondEquation(phase.model, phase.p);
  return phase.p as Pascal;
}

function filledWith(composition: Composition, rho: Density, T: Kelvin): Phase {
  const { model, moleFraction, molarMass } = modelOf(composition);
  const phase = new Phase(model).set(moleFraction, rho / molarMass);
  phase.evaluate(T);
  return phase;
}

/** The boiling point at which the liquid has that density, in one solve; nothing where it does not arrive or ends far from the estimate. */
function directly(composition: Composition, rho: Density): Kelvin | undefined {
  const { model, moleFraction, molarMass } = modelOf(composition);
  const reducing = reducingTemperature(model, moleFraction);
  const excess = (T: number) => mixtureLiquidGuess(model, moleFraction, T) * molarMass - rho;
  const [coldest, hottest] = [0.45 * reducing, 0.978 * reducing];
  if (excess(coldest) < 0 || excess(hottest) > 0) return undefined;
  const estimate = findRoot(excess, coldest, hottest, ESTIMATE_TOLERANCE);
  const equilibrium = equilibriumOf(composition, 'liquid');
  const u = startAt(equilibrium, kelvin(estimate));
  u[moleFraction.length] = Math.log(rho / molarMass);
  if (!solveEquilibrium(equilibrium, u, { kind: 'density' })) return undefined;
  const T = Math.exp(u.at(-1)!);
  return Math.abs(T - estimate) < TRUSTED && T >= model.lowestT ? kelvin(T) : undefined;
}

function betweenPoints(composition: Composition, rho: Density): Kelvin {
  const [cold, hot] = bracket(composition, rho);
  return kelvin(findRoot((t) => bubblePoint(composition, kelvin(t)).rhoLiquid - rho, cold, hot, TEMPERATURE_TOLERANCE));
}

/** Two temperatures between which the liquid passes the density, searched from the cold end. */
function bracket(composition: Composition, rho: Density): readonly [number, number] {
  const { model, moleFraction } = modelOf(composition);
  const reducing = reducingTemperature(model, moleFraction);
  const shares = [0.4, 0.5, 0.6, 0.7, 0.8, 0.85, 0.9, 0.93, 0.95, 0.97, 0.98, 0.985, 0.99, 0.995];
  const points: { T: number; rhoLiquid: number }[] = [];
  const coldest = model.lowestT;
  for (const T of [coldest, ...shares.map((share) => share * reducing).filter((value) => value > coldest)]) {
    const point = liquidAt(composition, T);
    if (point === undefined) continue;
    const colder = points.at(-1);
    if (colder !== undefined && point.rhoLiquid <= rho && rho <= colder.rhoLiquid) return [colder.T, point.T];
    points.push(point);
  }
  // between the last of these and the very end of the line
  const [colder, end] = [points.at(-1), endOfLine(composition)];
  if (colder !== undefined && end.rho <= rho && rho <= colder.rhoLiquid) return [colder.T, end.T];
  points.push({ T: end.T, rhoLiquid: end.rho });
  const densities = points.map(({ rhoLiquid }) => rhoLiquid);
  throw new OutOfRange('density of the filling', rho, Math.min(...densities), Math.max(...densities), 'kg/m³');
}

/** Nothing outside the line: the bracket is made of the points that exist. */
const liquidAt = (composition: Composition, T: number): { T: number; rhoLiquid: number } | undefined =>
  unless(CoreError, () => ({ T, rhoLiquid: bubblePoint(composition, kelvin(T)).rhoLiquid }));
