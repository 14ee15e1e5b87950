import { pascal, type Pascal } from '../units/quantity';
import data from './shut-in.json';

/** How long a system is watched that was recovered, minutes. */
export const WATCHED_MINUTES = data.watchedMinutes;

export interface ShutInReading {
  /** s since it was shut in. */
  readonly t: number;
  /** Pa absolute. */
  readonly p: number;
}

/**
 * `watching`: not long enough yet; `will-pass`: at the rate of now it comes to rest above the level; `passed`: it stands above it; `rises`: watched long
 * enough, and it may still pass; `stays`: watched long enough, and what still comes stays below.
 */
export const shutInVerdicts = ['watching', 'will-pass', 'passed', 'rises', 'stays'] as const;
export type ShutInVerdict = (typeof shutInVerdicts)[number];

export interface ShutIn {
  readonly verdict: ShutInVerdict;
  /** s that were read: where it stood above the level in between, since it is below it again. */
  readonly watchedS: number;
  /** Pa absolute, of the last reading. */
  readonly p: Pascal;
  /** Pa a second; nothing while too little was read, and never below 0: what cools does not count as emptied. */
  readonly rate: number | undefined;
  /** Pa absolute at which it comes to rest, with oil as it usually is and at worst. */
  readonly rests: { readonly likely: Pascal; readonly most: Pascal } | undefined;
}

/**
 * Whether a recovered system stays at its level once it is shut in. A rise that dies away like exp(-t/τ) has its rate times τ still to come.
 * @param readings in the order of their time, at least one
 * @param level Pa absolute that was to be reached
 */
export function shutIn(readings: readonly ShutInReading[], level: Pascal): ShutIn {
  const last = readings.at(-1);
  if (last === undefined) throw new RangeError('a shut-in without a reading');
  const below = readings.slice(readings.findLastIndex((reading) => reading.p > level) + 1);
  const watchedS = below.length === 0 ? last.t - readings[0]!.t : last.t - below[0]!.t;
  const p = pascal(last.p);
  const rate = rateOf(below.length === 0 ? readings : below);
  const rests =
    rate === undefined ? undefined : { likely: pascal(last.p + rate * data.oil.likelyS), most: pascal(last.p + rate * data.oil.mostS) };
  return { verdict: verdictOf({ p, watchedS, rests }, level), watchedS, p, rate, rests };
}

function verdictOf({ p, watchedS, rests }: Pick<ShutIn, 'p' | 'watchedS' | 'rests'>, level: Pascal): ShutInVerdict {
  if (p > level) return 'passed';
  const isEnough = watchedS >= 60 * WATCHED_MINUTES;
  if (rests === undefined) return 'watching';
  if (!isEnough) return rests.likely > level ? 'will-pass' : 'watching';
  return rests.most > level ? 'rises' : 'stays';
}

/** By least squares over the later half of the time; nothing where that is too short to tell. */
function rateOf(readings: readonly ShutInReading[]): number | undefined {
  const middle = (readings[0]!.t + readings.at(-1)!.t) / 2;
  const later = readings.filter(({ t }) => t >= middle);
  const half = later.length < 2 ? readings.slice(-2) : later;
  if (half.length < 2 || half.at(-1)!.t - half[0]!.t < data.leastSpanS) return undefined;
  const mean = (of: (reading: ShutInReading) => number) => half.reduce((sum, reading) => sum + of(reading), 0) / half.length;
  const [t0, p0] = [mean(({ t }) => t), mean(({ p }) => p)];
  const slope = mean(({ t, p }) => (t - t0) * (p - p0)) / mean(({ t }) => (t - t0) ** 2);
  return Math.max(0, slope);
}
