import { fit, type Column } from './gaussian';
import { amounts, binned, columnsFor, LONG_HOLD_S, noiseOf, terms, type Binned, type Term } from './hold-model';
import { problemsOf, PASCAL_PER_PSI, type HoldMeta, type HoldReadings, type TraceProblem } from './trace';

const HOUR = 3600;
/** No verdict before. */
const LEAST_S = 300;
/**
 * Sigmas for "leaking" and for "tight"; a long hold is moved by weather of which no residual is left. A verdict rests on the whole doubt, which
 * is kept wide. Nine times of ten the truth is nearer than that: within so many sigmas of simulated holds of another structure, calibrated on
 * seeds that are used nowhere else (`docs/proof.md`).
 */
const SURE = { short: { leaking: 2.6, tight: 1.9, ninety: 1 }, long: { leaking: 3, tight: 2.6, ninety: 1.25 } } as const;

export type HoldVerdict = 'leaking' | 'tight' | 'cannot-tell';

export interface HoldResult {
  /** Share of the nitrogen that is lost in an hour, and its standard deviation. */
  readonly lossPerHour: number;
  readonly sigma: number;
  readonly interval90: readonly [number, number];
  readonly verdict: HoldVerdict;
  /** What was asked for, share an hour. */
  readonly tightTo: number;
  /** What this hold has excluded so far, share an hour. */
  readonly excludesAbove: number;
  /** When, from the start, it can be told, s; nothing where waiting longer does not tell, or where it is told. */
  readonly lookAgainS: number | null;
  /** What the doubt is made of: the share of its variance that each term brings. */
  readonly budget: readonly { readonly term: Term; readonly share: number }[];
  readonly problems: readonly TraceProblem[];
  /** Whether the heat of filling has faded: it moves the loss by less than 2 % an hour. */
  readonly settled: boolean;
}

interface Loss {
  readonly perS: number;
  readonly sigma: number;
}

/**
 * What a nitrogen hold says about a leak. Works on ln of the amount of nitrogen; everything else is a disturbance with a prior, fitted by
 * generalised least squares; flow falling as p (choked) and as p² (laminar) are averaged.
 * @param tightTo share an hour above which a leak has to be excluded
 */
export function judgeHold(meta: HoldMeta, readings: HoldReadings, tightTo: number): HoldResult {
  const problems = problemsOf(readings, meta.gaugeResolutionPsi);
  const cannot = { verdict: 'cannot-tell', tightTo, lookAgainS: null, budget: [], problems, settled: false } as const;
  if (problems.some(({ code }) => code === 'too-few' || code === 'not-in-order'))
    return {
      ...cannot,
      lossPerHour: 0,
      sigma: Number.POSITIVE_INFINITY,
      interval90: [0, Number.POSITIVE_INFINITY],
      excludesAbove: Number.POSITIVE_INFINITY,
    };
  const current = binned(readings, meta);
  const { loss, settled } = lossOf(current, meta);
  const [lossPerHour, sigma] = [loss.perS * HOUR, loss.sigma * HOUR];
  const duration = readings.timeS.at(-1)!;
  const sure = SURE[duration > LONG_HOLD_S ? 'long' : 'short'];
  const excludesAbove = Math.max(0, lossPerHour) + sure.tight * sigma;
  const verdict = problems.length > 0 || duration < LEAST_S ? 'cannot-tell' : verdictOf(lossPerHour, sigma, tightTo, sure);
  return {
    lossPerHour,
    sigma,
    interval90: [Math.max(0, lossPerHour - sure.ninety * sigma), Math.max(0, lossPerHour + sure.ninety * sigma)],
    verdict,
    tightTo,
    excludesAbove,
    lookAgainS: verdict === 'cannot-tell' && problems.length === 0 ? lookAgain(current, meta, lossPerHour, tightTo) : null,
    budget: budgetOf(current, meta, loss.sigma),
    problems,
    settled,
  };
}

function verdictOf(loss: number, sigma: number, tightTo: number, sure: (typeof SURE)['short' | 'long']): HoldVerdict {
  if (loss > sure.leaking * sigma) return 'leaking';
  return Math.max(0, loss) + sure.tight * sigma < tightTo ? 'tight' : 'cannot-tell';
}

/** Both flows, fitted and averaged. */
function lossOf(entry: Binned, meta: HoldMeta, without?: Term): { readonly loss: Loss; readonly settled: boolean } {
  const y = centred(amounts(entry));
  const fall = fallPsiPerS(entry);
  const columns = columnsFor(entry, meta, without);
  const choked = lossIn(y, columns, noiseOf(entry, meta, fall, without));
  let laminar = choked;
  for (let k = 0; k < 2; k++) laminar = laminarLoss(y, entry, columns, noiseOf(entry, meta, fall, without), laminar.perS);
  const apart = (choked.perS - laminar.perS) / 2;
  const variance = (choked.sigma ** 2 + laminar.sigma ** 2) / 2 + apart * apart;
  return {
    loss: { perS: (choked.perS + laminar.perS) / 2, sigma: Math.sqrt(variance) },
    settled: choked.settlingPerHour < 0.02,
  };
}

const centred = (values: readonly number[]) => values.map((value) => value - values[0]!);
const fallPsiPerS = ({ t, p }: Binned) => (p[0]! - p.at(-1)!) / PASCAL_PER_PSI / Math.max(1, t.at(-1)! - t[0]!);

function lossIn(y: readonly number[], columns: readonly Column[], noise: Float64Array): Loss & { readonly settlingPerHour: number } {
  const { mean, covariance, chi2PerPoint } = fit(y, columns, noise);
  const m = columns.length;
  // residuals larger than expected widen the doubt; smaller ones prove nothing: smooth drift leaves none
  const inflate = Math.sqrt(Math.max(1, chi2PerPoint));
  return {
    perS: mean[1]!,
    sigma: inflate * Math.sqrt(covariance[m + 1]!),
    settlingPerHour: settlingSlope(columns, mean, covariance) * HOUR,
  };
}

/** How fast the fitted settling still falls at the end, with its doubt, 1/s. */
function settlingSlope(columns: readonly Column[], mean: readonly number[], covariance: Float64Array): number {
  let [slope, doubt] = [0, 0];
  for (const [k, { name, values }] of columns.entries()) {
    if (!name.startsWith('settling-')) continue;
    const tau = Number(name.slice('settling-'.length));
    const last = values.at(-1)! / tau;
    slope += mean[k]! * last;
    doubt += covariance[k * columns.length + k]! * last * last;
  }
  return Math.abs(slope) + Math.sqrt(doubt);
}

/** ln(1 + loss t) about the loss of the step before. */
function laminarLoss(y: readonly number[], { t }: Binned, columns: readonly Column[], noise: Float64Array, before: number) {
  const at = Math.max(0, before);
  const bent = columns.map((column, k) => (k === 1 ? { ...column, values: Float64Array.from(t, (s) => -s / (1 + at * s)) } : column));
  const straight = y.map((value, k) => value + Math.log1p(at * t[k]!) - (at * t[k]!) / (1 + at * t[k]!));
  return lossIn(straight, bent, noise);
}

/** The share of the variance that goes with a term. */
function budgetOf(entry: Binned, meta: HoldMeta, sigma: number): HoldResult['budget'] {
  return terms
    .map((term) => {
      const without = lossOf(entry, meta, term).loss.sigma;
      return { term, share: Math.max(0, 1 - (without / sigma) ** 2) };
    })
    .filter(({ share }) => share > 0.01)
    .sort((a, b) => b.share - a.share);
}

/** Of later looks, as shares of what it has lasted. */
const LATER = [1.1, 1.25, 1.5, 2, 2.5, 3, 4, 6, 8, 12, 16, 24, 32, 48, 64];
const LONGEST = 72 * HOUR;

/** The doubt of a hold that goes on does not depend on what will be read: the first time at which it would be small enough. */
function lookAgain(entry: Binned, meta: HoldMeta, loss: number, tightTo: number): number | null {
  const now = entry.t.at(-1)!;
  for (const factor of LATER) {
    const then = Math.max(LEAST_S, now * factor);
    if (then > LONGEST) return null;
    const sure = SURE[then > LONG_HOLD_S ? 'long' : 'short'];
    if (Math.max(0, loss) + sure.tight * plannedSigma(goneOn(entry, then), meta) < tightTo) return Math.round(then);
  }
  return null;
}

/** The same hold until later, the day going on as it does. */
function goneOn(entry: Binned, until: number): Binned {
  const n = entry.t.length;
  const rate = entry.count.reduce((sum, count) => sum + count, 0) / Math.max(1, entry.t.at(-1)! - entry.t[0]!);
  const spacing = until / n;
  return steadyHold(
    { T: entry.T.at(-1)!, air: entry.air.at(-1)!, p: entry.p.at(-1)!, clamped: entry.pipeLag !== undefined, dithers: entry.dithers },
    Array.from({ length: n }, (_, k) => (k + 0.5) * spacing),
    Math.max(1, rate * spacing),
  );
}

interface Steady {
  readonly T: number;
  readonly air: number;
  readonly p: number;
  readonly clamped: boolean;
  readonly dithers: boolean;
}

/** Common practice: how the air of a usual day moves, K: within an hour, and over the day. */
const [HOURLY_K, DAILY_K] = [0.2, 3];

/** A hold that nobody has read yet, on a usual day. */
export function steadyHold({ T, air, p, clamped, dithers }: Steady, t: readonly number[], count: number): Binned {
  const daily = (s: number, lag: number) =>
    DAILY_K * Math.sin((2 * Math.PI * (s - lag)) / 86400) + HOURLY_K * Math.sin((2 * Math.PI * (s - lag)) / HOUR);
  return {
    t,
    count: t.map(() => count),
    p: t.map(() => p),
    T: t.map((s) => T + daily(s, 0) * (clamped ? 0.8 : 1)),
    air: t.map((s) => air + daily(s, 0)),
    airLag: t.map((s) => air + daily(s, 900) * 0.7),
    pipeLag: clamped ? t.map((s) => T + daily(s, 480) * 0.7) : undefined,
    dithers,
  };
}

/** 1/h of a hold that is only planned. */
export function plannedSigma(entry: Binned, meta: HoldMeta): number {
  const columns = columnsFor(entry, meta);
  const { covariance } = fit(
    entry.t.map(() => 0),
    columns,
    noiseOf(entry, meta, 0),
  );
  return HOUR * Math.sqrt(covariance[columns.length + 1]!);
}
