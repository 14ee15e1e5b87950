import { cholesky, dot, solveLower } from '../proof/gaussian';
import { noFaults, type Conditions } from './conditions';
import type { ReadingName, Readings } from './cycle-readings';
import { sigmaOfReading } from './cycle-readings';
import { cloudOf, unknownUnit, type Knowledge } from './knowledge';
import { predict } from './prediction';
import type { UnitPlate } from './unit';

/** How often the readings are looked at anew from where the unit has come to lie. */
const ROUNDS = 3;

/**
 * What a visit teaches of a unit that was charged by weight and runs well: where its own numbers lie, and how sure that is. Gauss and Newton
 * over the guesses, with the charge and the air of that day among what may be off. Nothing where the unit has no steady state there.
 */
export function learnUnit(
  plate: UnitPlate,
  conditions: Conditions,
  readings: Readings,
  before: Knowledge = unknownUnit,
): Knowledge | undefined {
  const names = (Object.keys(readings) as ReadingName[]).filter((name) => readings[name] !== undefined);
  const guesses = before.directions.length;
  let moved = new Float64Array(guesses);
  let covariance: Float64Array | undefined;
  for (let round = 0; round < ROUNDS; round++) {
    const mean = shifted(before, moved);
    const prediction = predict(cloudOf(plate, { mean, directions: before.directions }), conditions, noFaults);
    if (prediction === undefined) return undefined;
    const slopes = prediction.slopes;
    const n = names.length;
    const rows = names.map((name) => Float64Array.from(slopes, (slope) => slope[name]));
    const S = new Float64Array(n * n);
    for (let i = 0; i < n; i++)
      for (let j = 0; j < n; j++)
        S[i * n + j] = dot(rows[i]!, rows[j]!) + (i === j ? sigmaOfReading(names[i]!, readings[names[i]!]!) ** 2 : 0);
    const L = cholesky(S, n);
    // what is off, seen from where the unit was known to be before
    const off = Float64Array.from(names, (name, i) => {
      const current = rows[i]!;
      return readings[name]! - prediction.value[name] + dot(current.subarray(0, guesses), moved);
    });
    const half = solveLower(L, off);
    const gain = Array.from({ length: guesses }, (_, k) =>
      solveLower(
        L,
        Float64Array.from(rows, (row) => row[k]!),
      ),
    );
    moved = Float64Array.from(gain, (column) => Math.max(-3, Math.min(3, dot(column, half))));
    covariance = new Float64Array(guesses * guesses);
    for (let i = 0; i < guesses; i++)
      for (let j = 0; j < guesses; j++) covariance[i * guesses + j] = (i === j ? 1 : 0) - dot(gain[i]!, gain[j]!);
  }
  return { mean: shifted(before, moved), directions: columnsOf(before, covariance!, guesses) };
}

const shifted = ({ mean, directions }: Knowledge, moved: Float64Array): number[] =>
  mean.map((value, j) => value + directions.reduce((sum, direction, k) => sum + moved[k]! * direction[j]!, 0));

/** The columns of a factor of what may still be off, in the directions of before. */
function columnsOf({ directions }: Knowledge, covariance: Float64Array, n: number): number[][] {
  for (let k = 0; k < n; k++) covariance[k * n + k]! += 1e-9;
  const L = cholesky(covariance, n);
  return Array.from({ length: n }, (_, column) =>
    directions[0]!.map((__, j) =>
      directions.reduce((sum, direction, i) => sum + (i >= column ? L[i * n + column]! * direction[j]! : 0), 0),
    ),
  );
}
