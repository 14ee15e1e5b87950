import type { Composition } from '../fluids/composition';
import { LiquidParts, NoTwoPhaseState, OutOfRange } from '../errors';
import { kelvin, type Kelvin, type Pascal } from '../units/quantity';
import { lnPressureGuess } from './ancillary';
import { solveEquilibrium } from './equilibrium';
import { findRoot } from './find-root';
import { modelOf } from './mixture-model';
import { reducingTemperature } from './reducing';
import { bubblePoint, dewPoint, describe, equilibriumOf, startAt, type Saturation } from './saturation';

/**
 * Bubble point at a given pressure: the temperature at which this liquid begins to boil.
 * @param p absolute pressure, Pa
 * @throws OutOfRange where the boiling line does not reach that pressure
 */
export const bubblePointAt = (composition: Composition, p: Pascal): Saturation => saturationAtPressure(composition, p, 'liquid');

/** Dew point at a given pressure: the temperature at which this vapour begins to condense. */
export const dewPointAt = (composition: Composition, p: Pascal): Saturation => saturationAtPressure(composition, p, 'vapour');

function saturationAtPressure(composition: Composition, p: Pascal, parentIs: 'liquid' | 'vapour'): Saturation {
  const equilibrium = equilibriumOf(composition, parentIs);
  const guess = temperatureGuess(composition, p, parentIs);
  const u = startAt(equilibrium, guess);
  if (solveEquilibrium(equilibrium, u, { kind: 'p', p }) && Math.abs(Math.exp(u.at(-1)!) - guess) < TRUSTED * guess)
    return describe(equilibrium, composition);
  return alongTheLine(composition, p, parentIs);
}

/** An answer that far from Raoult's estimate is checked along the line. */
const TRUSTED = 0.1;

/** Where Raoult's law gives that pressure. */
function temperatureGuess(composition: Composition, p: number, parentIs: 'liquid' | 'vapour'): Kelvin {
  const { model, moleFraction } = modelOf(composition);
  const lnRaoult = (T: number) => {
    const pure = model.substances.map((substance) => Math.exp(lnPressureGuess(substance, T)));
    const sum = pure.reduce((total, value, i) => total + moleFraction[i]! * (parentIs === 'liquid' ? value : 1 / value), 0);
    return parentIs === 'liquid' ? Math.log(sum) : -Math.log(sum);
  };
  const reducing = reducingTemperature(model, moleFraction);
  return kelvin(1 / findRoot((inverse) => lnRaoult(1 / inverse) - Math.log(p), 1 / (1.2 * reducing), 1 / (0.25 * reducing), 1e-8));
}

const LN_PRESSURE_TOLERANCE = 1e-11;

/** The pressure rises along the line: its temperature lies between two that exist. */
function alongTheLine(composition: Composition, p: Pascal, parentIs: 'liquid' | 'vapour'): Saturation {
  const at = (T: number) => (parentIs === 'liquid' ? bubblePoint : dewPoint)(composition, kelvin(T));
  const { model, moleFraction } = modelOf(composition);
  const coldest = coldestOf(at, Math.max(model.lowestT, 0.4 * reducingTemperature(model, moleFraction)));
  const hottest = highestTemperature(at, 1.1 * reducingTemperature(model, moleFraction));
  const [low, high] = [at(coldest).p, at(hottest).p];
  if (p < low || p > high) throw new OutOfRange('pressure', p, low, high, 'Pa');
  const inverse = findRoot((x) => Math.log(at(1 / x).p / p), 1 / coldest, 1 / hottest, LN_PRESSURE_TOLERANCE / coldest);
  return at(1 / inverse);
}

/** The lowest temperature, or the one from which the liquid is one. */
function coldestOf(at: (T: number) => Saturation, lowest: number): number {
  try {
    return at(lowest).T;
  } catch (error) {
    if (error instanceof LiquidParts && error.lowestT !== undefined) return error.lowestT;
    throw error;
  }
}

function highestTemperature(at: (T: number) => Saturation, beyond: number): number {
  try {
    return at(beyond).T;
  } catch (error) {
    if (error instanceof NoTwoPhaseState) return error.highestT;
    throw error;
  }
}
