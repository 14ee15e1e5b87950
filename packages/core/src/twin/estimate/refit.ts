import { solveInPlace } from '../../thermo/linear-solve';
import { simulate } from '../simulate';
import type { Scenario } from '../scenario';
import type { Simulated } from '../transfer-run';
import parameters from '../parameters.json';
import data from './priors.json';
import { besideTwin, type BesideTwin } from './beside';
import { pointsOf, valueAt, type Point, type Traces } from './observed';
import { AS_RECORDED, unknowns, type Guess } from './guess';
import { priorSd, tuned } from './unknowns';

/** A transfer as far as it has come. */
export interface Underway {
  /** From its records; `deeds` tell what people have done since. */
  readonly scenario: Scenario;
  readonly readings: Traces;
  /** s since the start. */
  readonly now: number;
  /** Where the last fit came to. */
  readonly from: Guess;
  /** Of the logarithm of the charge, before anything is read. */
  readonly chargeSd?: number | undefined;
}

export interface Fitted {
  readonly guess: Guess;
  /** Row by row. */
  readonly covariance: Float64Array;
  readonly prior: readonly number[];
  /** Of each, whether readings tell it, and no longer what was thought before. */
  readonly seen: readonly boolean[];
  /** Root mean square of what is left, in standard deviations. */
  readonly misfit: number;
  /** The same by kind of reading, and how the latest stands to the twin; nothing where no run could be made. */
  readonly beside: BesideTwin;
}

const N = unknowns.length;
/** Of the doubt before anything was read: below it readings have seen it. */
const SEEN = 0.6;
/** Root mean square, in standard deviations, above which another start is tried. */
const DOUBTFUL = 0.5;
/** As recorded; a core left in; a machine that is hot. In the order of the unknowns. */
const STARTS: readonly Guess[] = [AS_RECORDED, [0, -1, 0, 0, 0, 0], [0, 0, 0, -0.6, 0, 0]];
/** A step of a logarithm to find a slope. */
const STEP = 0.1;
const MOST_ROUNDS = 3;
const SETTLED = 0.02;
/** Nobody believes readings that put a factor further off than this. */
const FURTHEST = 4;

/**
 * What readings say of charge, lines, machine and cooling: damped Gauss-Newton with a robust loss, from where the last fit came to. What
 * people did is given, never simulated: no cut-out opens in a fit. Deterministic.
 */
export function refit({ scenario, readings, now, from, chargeSd }: Underway): Fitted {
  const points = pointsOf(readings);
  const prior = priorSd(chargeSd);
  const past = told(scenario);
  const every = Math.max(0.5, now / 200);
  const left: Left = (guess, near) => {
    const simulated = run(past, guess, every, { until: now, near });
    return { residuals: residuals(points, simulated), simulated };
  };
  let best = descended(left, from, prior, MOST_ROUNDS);
  // one start alone sticks in a wrong minimum now and then: it shows by what it leaves
  if (best.misfit > DOUBTFUL)
    for (const start of STARTS) {
      const tried = descended(left, start, prior, 1);
      if (tried.loss < best.loss) best = tried;
    }
  const covariance = inflated(inverse(best.normal), best.misfit);
  const seen = unknowns.map((_, k) => Math.sqrt(covariance[k * N + k]!) < SEEN * prior[k]!);
  // volumes that nobody has measured look like charge: that doubt no reading takes away
  covariance[0]! += data.structure.charge ** 2;
  return { guess: best.guess, covariance, prior, seen, misfit: best.misfit, beside: best.ran ? besideTwin(points, best.own) : {} };
}

interface Descended {
  readonly guess: Guess;
  readonly normal: Float64Array;
  readonly loss: number;
  readonly misfit: number;
  /** What is left of each point, and whether a run left it. */
  readonly own: readonly number[];
  readonly ran: boolean;
}

/** What a guess leaves, and the run that leaves it; in step with another run where it is compared with that. */
type Left = (guess: Guess, near?: Simulated) => { readonly residuals: readonly number[]; readonly simulated: Simulated | undefined };

function descended(left: Left, from: Guess, prior: readonly number[], rounds: number): Descended {
  let guess = from;
  let normal = new Float64Array(N * N);
  let { residuals: own, simulated } = left(guess);
  for (let round = 0; round < rounds; round++) {
    const slopes = unknowns.map((_, k) => left(moved(guess, k, STEP), simulated).residuals.map((value, i) => (value - own[i]!) / STEP));
    const stepped = newton(own, slopes, guess, prior);
    normal = stepped.normal;
    // half as far, until it fits better
    let better: { guess: Guess; own: readonly number[]; simulated: Simulated | undefined } | undefined;
    for (let share = 1; share > 0.1 && better === undefined; share /= 2) {
      const tried = guess.map((value, k) => within(value + share * stepped.change[k]!, prior[k]!));
      const there = left(tried);
      if (loss(there.residuals, tried, prior) <= loss(own, guess, prior))
        better = { guess: tried, own: there.residuals, simulated: there.simulated };
    }
    if (better === undefined) break;
    const far = Math.max(...better.guess.map((value, k) => Math.abs(value - guess[k]!) / prior[k]!));
    ({ guess, own, simulated } = better);
    if (far < SETTLED) break;
  }
  const misfit = Math.sqrt(own.reduce((sum, value) => sum + value * value, 0) / Math.max(1, own.length));
  return { guess, normal, loss: loss(own, guess, prior), misfit, own, ran: simulated !== undefined };
}

/** Pa: as deep as any machine draws. */
const DEEPEST = 2000;

/**
 * As people and readings tell it: no cut-out opens by itself, and what still runs has not come to its end, nor to a stop, in the model either:
 * a run that is over follows no factor any more.
 */
const told = (scenario: Scenario): Scenario => ({
  ...scenario,
  tripsFrom: Number.POSITIVE_INFINITY,
  endPa: DEEPEST,
  cylinder: { ...scenario.cylinder, stopKg: Number.POSITIVE_INFINITY },
});

const within = (value: number, sd: number): number => Math.max(-FURTHEST * sd, Math.min(FURTHEST * sd, value));
export const moved = (guess: Guess, k: number, by: number): Guess => guess.map((value, i) => (i === k ? value + by : value));

/** Steps of a run that somebody waits for: an ordinary transfer takes some hundreds. */
const MOST_STEPS = 12_000;

/** A run that cannot be is none: too much for its circuit, or no end to it. */
export function run(
  scenario: Scenario,
  guess: Guess,
  every: number,
  { until, near }: { until?: number; near?: Simulated | undefined } = {},
): Simulated | undefined {
  try {
    const simulated = simulate(tuned(scenario, guess), every, until, { mostSteps: MOST_STEPS, inStepWith: near?.steps });
    const long = Math.min(until ?? Number.POSITIVE_INFINITY, 3600 * parameters.most.hours);
    return simulated.end.reason === 'time' && simulated.end.t < long ? undefined : simulated;
  } catch {
    return undefined;
  }
}

/** What a run that could not be made counts for each point, in standard deviations. */
const IMPOSSIBLE = 20;

const residuals = (points: readonly Point[], simulated: Simulated | undefined): readonly number[] =>
  points.map(({ of, t, value, sd }) => (simulated === undefined ? IMPOSSIBLE : (value - valueAt(simulated.samples, of, t)) / sd));

/** Huber: beyond so many standard deviations a reading pulls no harder. */
const weight = (residual: number): number => Math.min(1, data.outlier / Math.max(1e-9, Math.abs(residual)));

function loss(values: readonly number[], guess: Guess, prior: readonly number[]): number {
  const k = data.outlier;
  const read = values.reduce((sum, r) => sum + (Math.abs(r) <= k ? r * r : 2 * k * Math.abs(r) - k * k), 0);
  return guess.reduce((sum, value, i) => sum + (value / prior[i]!) ** 2, read);
}

function newton(values: readonly number[], slopes: readonly (readonly number[])[], guess: Guess, prior: readonly number[]) {
  const normal = new Float64Array(N * N);
  const right = new Float64Array(N);
  for (let a = 0; a < N; a++) {
    normal[a * N + a] = 1 / prior[a]! ** 2;
    right[a] = -guess[a]! / prior[a]! ** 2;
    for (const [i, residual] of values.entries()) {
      const w = weight(residual);
      right[a]! -= w * slopes[a]![i]! * residual;
      for (let b = 0; b < N; b++) normal[a * N + b]! += w * slopes[a]![i]! * slopes[b]![i]!;
    }
  }
  const change = Float64Array.from(right);
  if (!solveInPlace(Float64Array.from(normal), change)) change.fill(0);
  return { normal, change };
}

function inverse(matrix: Float64Array): Float64Array {
  const result = new Float64Array(N * N);
  for (let k = 0; k < N; k++) {
    const column = new Float64Array(N);
    column[k] = 1;
    if (!solveInPlace(Float64Array.from(matrix), column)) continue;
    for (let i = 0; i < N; i++) result[i * N + k] = column[i]!;
  }
  return result;
}

/** What fits worse than its errors allow is known less well. */
const inflated = (covariance: Float64Array, misfit: number): Float64Array =>
  covariance.map((value) => value * Math.max(1, misfit * misfit));
