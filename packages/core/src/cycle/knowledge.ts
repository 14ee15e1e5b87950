import { designOf } from './cycle-design';
import { guessNames, sigmaOf, usualGuesses, type Guesses, type Unit, type UnitPlate } from './unit';

/** What is known of a unit beyond its plate, in sigmas of the usual: where it is, and the directions in which it may be off. */
export interface Knowledge {
  readonly mean: readonly number[];
  /** Each a column of a factor of the covariance. */
  readonly directions: readonly (readonly number[])[];
}

/** Nothing but what units of its kind usually are. */
export const unknownUnit: Knowledge = {
  mean: guessNames.map(() => 0),
  directions: guessNames.map((_, k) => guessNames.map((__, j) => (j === k ? 1 : 0))),
};

const guessesAt = (sigmas: readonly number[]): Guesses =>
  Object.fromEntries(guessNames.map((name, k) => [name, usualGuesses[name] + sigmas[k]! * sigmaOf(name)])) as Guesses;

/** Of a sigma: a derivative by a step this long. Longer ones leave the range in which a condenser answers in a straight line. */
export const STEP = 0.03;

/** The unit as it most likely is, and one a step away in each direction. */
export interface UnitCloud {
  readonly likely: Unit;
  readonly moved: readonly Unit[];
}

export function cloudOf(plate: UnitPlate, { mean, directions }: Knowledge = unknownUnit): UnitCloud {
  return {
    likely: designOf(plate, guessesAt(mean)),
    moved: directions.map((direction) => designOf(plate, guessesAt(mean.map((value, k) => value + STEP * direction[k]!)))),
  };
}
