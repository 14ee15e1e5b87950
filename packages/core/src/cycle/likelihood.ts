import { cholesky, dot, solveLower, solveUpper } from '../proof/gaussian';
import { sigmaOfReading, type ReadingName, type Readings } from './cycle-readings';
import data from './hypotheses.json';
import type { Prediction } from './prediction';

/** How well readings fit a prediction. */
export interface Fit {
  /** Of a Student distribution: a real unit is off now and then by more than a sigma says. */
  readonly logLikelihood: number;
  /** Squares of what is off, in sigmas, and of how many readings. */
  readonly off: number;
  readonly count: number;
  /** The same with errors this many times wider. */
  readonly widely: (times: number) => number;
  /** What is off, times the inverse covariance. */
  readonly weighted: Float64Array;
  readonly names: readonly ReadingName[];
  readonly factor: Float64Array;
}

/** @param noisier times the noise, where the unit has not settled */
export function fitOf(prediction: Prediction, readings: Readings, noisier = 1): Fit {
  const names = (Object.keys(readings) as ReadingName[]).filter((name) => readings[name] !== undefined);
  const n = names.length;
  const rows = names.map((name) => Float64Array.from(prediction.slopes, (slope) => slope[name]));
  const covariance = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) {
      const noise = i === j ? (noisier * sigmaOfReading(names[i]!, readings[names[i]!]!)) ** 2 : 0;
      covariance[i * n + j] = dot(rows[i]!, rows[j]!) + noise;
    }
  const factor = cholesky(covariance, n);
  const off = Float64Array.from(names, (name) => readings[name]! - prediction.value[name]);
  const half = solveLower(factor, Float64Array.from(off));
  const squares = dot(half, half);
  let lnDeterminant = 0;
  for (let k = 0; k < n; k++) lnDeterminant += 2 * Math.log(factor[k * n + k]!);
  const { degrees } = data;
  const student = (q: number, spread: number) => (-(degrees + n) / 2) * Math.log1p(q / degrees) - (lnDeterminant + spread) / 2;
  return {
    logLikelihood: student(squares, 0),
    off: squares,
    count: n,
    widely: (times) => student(squares / times ** 2, 2 * n * Math.log(times)),
    weighted: solveUpper(factor, half),
    names,
    factor,
  };
}
