import { hoseSizes, speedAtSystem, type Rig } from './conductance';
import { PASCAL_PER_MICRON, waterVapourPressure } from './water';

export interface PullDownMeta extends Rig {
  readonly volumeLiter: number;
  readonly ambientC: number;
  readonly targetMicron: number;
}

export interface PullDownReadings {
  readonly timeS: readonly number[];
  readonly micron: readonly number[];
}

/** What a pull-down may say beside `leak` and `cannot-tell`, which other tests say as well. */
export const pullDownVerdicts = ['as-expected', 'restricted', 'liquid-water', 'outgassing'] as const;
export type PullDownVerdict = (typeof pullDownVerdicts)[number] | 'leak' | 'cannot-tell';

export interface PullDownResult {
  readonly verdict: PullDownVerdict;
  /** Measured over computed speed, where it falls fast enough to tell. */
  readonly speedShare: number | null;
  /** Gas that comes in, micron a minute in this volume. */
  readonly gasMicronPerMin: number | null;
  /** s from the start at which the target is reached; nothing where it is not. */
  readonly targetS: number | null;
  /** The same for a dry, tight system with this rig. */
  readonly expectedS: number | null;
}

const MINUTE = 60;
const ATMOSPHERIC = 101_325;
/** A pull-down that stands: it falls by less than this share of what the hoses allow, for three minutes. */
const STANDS = { share: 0.06, forS: 180 };
/** Of the vapour pressure of water at the ambient: between them liquid water holds it, cooled as it boils. */
const WATER = { from: 0.17, to: 1.1 };
const RESTRICTED = 0.5;
/** Above this a speed can be measured, micron. */
const FAST = 1500;
const OUTGASSING_SLOPE = -0.22;
const LONGEST = 12 * 3600;

/** Time from the air to a pressure for a dry and tight system, s; nothing where this rig never gets there. @param from Pa */
export function dryPullDown(meta: PullDownMeta, toMicron: number, from = ATMOSPHERIC): number | null {
  const T = meta.ambientC + 273.15;
  const to = toMicron * PASCAL_PER_MICRON;
  const volume = meta.volumeLiter * 1e-3;
  const steps = 60;
  let time = 0;
  const [start, end] = [Math.log(from), Math.log(to)];
  for (let k = 0; k < steps; k++) {
    const p = Math.exp(start + ((end - start) * (k + 0.5)) / steps);
    const speed = speedAtSystem(meta, p, T);
    if (!(speed > 1e-12)) return null;
    time += ((volume / speed) * (start - end)) / steps;
    if (time > LONGEST) return null;
  }
  return time;
}

/** One change of the rig, and what it would save. */
export interface Better {
  readonly change: 'core-out' | 'wider-hose' | 'half-the-length';
  readonly rig: Rig;
  /** s to the target with it; nothing where it is not reached. */
  readonly targetS: number | null;
}

/** What better hoses would change: each change alone, the most saving first. */
export function betterRigs(meta: PullDownMeta): readonly Better[] {
  const wider = hoseSizes[hoseSizes.indexOf(meta.hose) + 1];
  const rigs: readonly (readonly [Better['change'], PullDownMeta])[] = [
    ...(meta.core === 'in' ? [['core-out', { ...meta, core: 'out' }] as const] : []),
    ...(wider === undefined ? [] : [['wider-hose', { ...meta, hose: wider }] as const]),
    ['half-the-length', { ...meta, lengthM: meta.lengthM / 2 }],
  ];
  return rigs
    .map(([change, rig]) => ({ change, rig, targetS: dryPullDown(rig, meta.targetMicron) }))
    .sort((a, b) => (a.targetS ?? Infinity) - (b.targetS ?? Infinity));
}

/** What a running pull-down says, from the balance of gas: no curve is fitted. */
export function judgePullDown(meta: PullDownMeta, { timeS, micron }: PullDownReadings): PullDownResult {
  const expectedS = dryPullDown(meta, meta.targetMicron);
  const none = { speedShare: null, gasMicronPerMin: null, targetS: null, expectedS };
  const n = timeS.length;
  if (n < 6) return { verdict: 'cannot-tell', ...none };
  const T = meta.ambientC + 273.15;
  const volume = meta.volumeLiter * 1e-3;
  const p = micron.map((value) => value * PASCAL_PER_MICRON);
  const speed = p.map((value) => speedAtSystem(meta, value, T));
  const fall = p.map((_, k) => slopeAt(timeS, p, k));
  const speedShare = shareOf(micron, p, fall, speed, volume);
  const share = speedShare ?? 1;
  const gas = p.map((value, k) => Math.max(0, share * speed[k]! * value + volume * fall[k]!));
  const half = n >> 1;
  const gasMicronPerMin = (median(gas.slice(half)) / volume / PASCAL_PER_MICRON) * MINUTE;
  const targetS =
    reached(timeS, micron, meta.targetMicron) ?? ahead(meta, { t: timeS[n - 1]!, p: p[n - 1]!, share, gas: median(gas.slice(half)) });
  const answer = { speedShare, gasMicronPerMin, targetS, expectedS };
  if (standsAtWater(timeS, p, fall, speed, volume, T)) return { verdict: 'liquid-water', ...answer };
  if (speedShare !== null && speedShare < RESTRICTED) return { verdict: 'restricted', ...answer };
  if (micron[n - 1]! <= meta.targetMicron) return { verdict: 'as-expected', ...answer };
  const drawn = speed[n - 1]! * p[n - 1]! * share;
  // what comes in is a small part of what is drawn: it is still on its way
  if (median(gas.slice(half)) < 0.35 * drawn) return { verdict: 'as-expected', ...answer };
  const bend = slopeOfLogs(timeS.slice(half), gas.slice(half));
  if (bend === undefined) return { verdict: 'cannot-tell', ...answer };
  return { verdict: bend < OUTGASSING_SLOPE ? 'outgassing' : 'leak', ...answer };
}

/** Pa/s about a reading: of ln p, by which a fall through decades is straight. */
function slopeAt(timeS: readonly number[], p: readonly number[], k: number): number {
  const [from, to] = [Math.max(0, k - 2), Math.min(p.length - 1, k + 2)];
  return (p[k]! * Math.log(p[to]! / p[from]!)) / Math.max(1e-9, timeS[to]! - timeS[from]!);
}

function shareOf(
  micron: readonly number[],
  p: readonly number[],
  fall: readonly number[],
  speed: readonly number[],
  volume: number,
): number | null {
  const end = micron.at(-1)!;
  const fast = p.flatMap((value, k) =>
    micron[k]! > FAST && micron[k]! > 4 * end && fall[k]! < 0 ? [(-volume * fall[k]!) / (speed[k]! * value)] : [],
  );
  return fast.length < 3 ? null : median(fast);
}

function standsAtWater(
  timeS: readonly number[],
  p: readonly number[],
  fall: readonly number[],
  speed: readonly number[],
  volume: number,
  T: number,
): boolean {
  const end = timeS.at(-1)!;
  const late = timeS.flatMap((t, k) => (t >= end - STANDS.forS ? [k] : []));
  if (end < STANDS.forS || late.length < 3) return false;
  const stands = late.every((k) => -fall[k]! * volume < STANDS.share * speed[k]! * p[k]!);
  const water = waterVapourPressure(T);
  const last = p.at(-1)!;
  return stands && last > WATER.from * water && last < WATER.to * water;
}

function reached(timeS: readonly number[], micron: readonly number[], target: number): number | undefined {
  const k = micron.findIndex((value) => value <= target);
  return k === -1 ? undefined : timeS[k];
}

/** Goes on from the last reading, what is released fading slowly. */
function ahead(meta: PullDownMeta, { t, p, share, gas }: { t: number; p: number; share: number; gas: number }): number | null {
  const T = meta.ambientC + 273.15;
  const volume = meta.volumeLiter * 1e-3;
  const target = meta.targetMicron * PASCAL_PER_MICRON;
  let [own, time] = [p, t];
  for (let k = 0; k < 2000 && time < LONGEST; k++) {
    if (own <= target) return time;
    const coming = gas / Math.sqrt((1 + time / 300) / (1 + t / 300));
    const drawn = share * speedAtSystem(meta, own, T) * own;
    const rate = (drawn - coming) / volume;
    if (rate <= 0) return null;
    const step = Math.min(60, Math.max(0.5, (0.05 * own) / rate));
    own = Math.max(target * 0.5, own - rate * step);
    time += step;
  }
  return null;
}

/** Slope of ln of what comes in on ln of the time: about nothing of a leak, falling of walls and oil. */
function slopeOfLogs(timeS: readonly number[], gas: readonly number[]): number | undefined {
  const points = timeS.flatMap((t, k) => (t > 0 && gas[k]! > 0 ? [[Math.log(t), Math.log(gas[k]!)] as const] : []));
  if (points.length < 4) return undefined;
  const [mx, my] = [0, 1].map((axis) => points.reduce((sum, point) => sum + point[axis]!, 0) / points.length) as [number, number];
  const xx = points.reduce((sum, [x]) => sum + (x - mx) ** 2, 0);
  return xx === 0 ? undefined : points.reduce((sum, [x, y]) => sum + (x - mx) * (y - my), 0) / xx;
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted.length === 0 ? 0 : sorted[sorted.length >> 1]!;
}
