import type { Composition } from '../fluids/composition';
import { CoreError, OutOfRange } from '../errors';
import { kelvin, type Density, type Kelvin, type Pascal } from '../units/quantity';
import { modelOf } from './mixture-model';
import { mixtureLiquidGuess } from './ancillary';
import { Phase } from './phase';
import { reducingTemperature } from './reducing';
import { bubblePoint } from './saturation';

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
const MOST_STEPS = 100;

/**
 * Temperature at which a closed vessel filled to `rho` (mass over volume) is full of liquid.
 * @throws OutOfRange where no liquid of this refrigerant has that density: denser than the coldest liquid, or so light that the
 *   content turns to one phase above the critical temperature before liquid fills the vessel
 */
export function liquidFull(composition: Composition, rho: Density): LiquidFull {
  const { model, moleFraction, molarMass } = modelOf(composition);
  const [cold, hot] = nearBracket(composition, rho) ?? bracket(composition, rho);
  const T = falsePosition((t) => bubblePoint(composition, kelvin(t)).rhoLiquid - rho, cold, hot);
  const { p } = bubblePoint(composition, kelvin(T));
  const full = new Phase(model).set(moleFraction, rho / molarMass);
  full.evaluate(T);
  return { T: kelvin(T), p, slope: full.dpdT, estimated: model.estimated };
}

/** Pressure, Pa absolute, of a vessel full of compressed liquid of density `rho` at `T`. */
export function compressedLiquidPressure(composition: Composition, rho: Density, T: Kelvin): Pascal {
  const { model, moleFraction, molarMass } = modelOf(composition);
  const phase = new Phase(model).set(moleFraction, rho / molarMass);
  phase.evaluate(T);
  return phase.p as Pascal;
}

/** Kelvins around the estimate within which the answer nearly always lies. */
const NEAR = 4;

/** Two temperatures around where the liquid has that density by corresponding states; nothing where that estimate is no good. */
function nearBracket(composition: Composition, rho: Density): readonly [number, number] | undefined {
  const { model, moleFraction, molarMass } = modelOf(composition);
  const reducing = reducingTemperature(model, moleFraction);
  const excess = (T: number) => mixtureLiquidGuess(model, moleFraction, T) * molarMass - rho;
  const [coldest, hottest] = [0.45 * reducing, 0.978 * reducing];
  if (excess(coldest) < 0 || excess(hottest) > 0) return undefined;
  const near = falsePosition(excess, coldest, hottest);
  const [cold] = liquidAt(composition, near - NEAR);
  const [hot] = liquidAt(composition, near + NEAR);
  if (cold === undefined || hot === undefined || cold.rhoLiquid < rho || hot.rhoLiquid > rho) return undefined;
  return [cold.T, hot.T];
}

/** Two temperatures between which the liquid passes the density, searched from the cold end. */
function bracket(composition: Composition, rho: Density): readonly [number, number] {
  const { model, moleFraction } = modelOf(composition);
  const reducing = reducingTemperature(model, moleFraction);
  const shares = [0.4, 0.5, 0.6, 0.7, 0.8, 0.85, 0.9, 0.93, 0.95, 0.97, 0.98, 0.985, 0.99, 0.995];
  const points: { T: number; rhoLiquid: number }[] = [];
  for (const share of shares) {
    const [point] = liquidAt(composition, share * reducing);
    if (point === undefined) continue;
    const colder = points.at(-1);
    if (point.rhoLiquid <= rho && colder !== undefined) return [colder.T, point.T];
    points.push(point);
  }
  const densities = points.map(({ rhoLiquid }) => rhoLiquid);
  throw new OutOfRange('density of the filling', rho, Math.min(...densities), Math.max(...densities), 'kg/m³');
}

function liquidAt(composition: Composition, T: number): { T: number; rhoLiquid: number }[] {
  try {
    return [{ T, rhoLiquid: bubblePoint(composition, kelvin(T)).rhoLiquid }];
  } catch (error) {
    if (error instanceof CoreError) return []; // outside the line: the bracket is made of the points that exist
    throw error;
  }
}

/** Root of a falling function between `low` and `high` (Illinois variant of false position). */
function falsePosition(f: (T: number) => number, low: number, high: number): number {
  let [a, b, fa, fb] = [low, high, f(low), f(high)];
  for (let step = 0; step < MOST_STEPS && Math.abs(b - a) > TEMPERATURE_TOLERANCE; step++) {
    const middle = b - (fb * (b - a)) / (fb - fa);
    const fm = f(middle);
    if (fm === 0) return middle;
    if (fm * fb < 0) [a, fa] = [b, fb];
    else fa /= 2;
    if (Math.abs(middle - b) < TEMPERATURE_TOLERANCE) return middle;
    [b, fb] = [middle, fm];
  }
  return b;
}
