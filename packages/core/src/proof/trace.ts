/** Readings of a hold, as they were taken: times in s from its start, psi above the air, °C. */
export interface HoldReadings {
  readonly timeS: readonly number[];
  readonly pressurePsig: readonly number[];
  readonly airC: readonly number[];
  readonly pipeC?: readonly number[] | undefined;
}

/** What a technician or the tool knows of a nitrogen hold. */
export interface HoldMeta {
  readonly volumeLiter: number;
  /** Relative standard error of the volume. */
  readonly volumeKnownTo: number;
  readonly setPressurePsig: number;
  readonly barometerPa: number;
  readonly gaugeResolutionPsi: number;
  readonly gaugeSpanPsi: number;
  readonly gaugeAccuracyShare: number;
  readonly secondsSinceFilling: number;
  readonly thermometers: readonly ('air' | 'pipe')[];
  /** Local hour of the day at the start: the sun. */
  readonly startHour: number;
  readonly oilLiter: number;
  readonly refrigerantMayRemain: boolean;
}

export const PASCAL_PER_PSI = 6894.757293168361;

/** What is wrong with a trace; each makes its verdict wait. */
export interface TraceProblem {
  readonly code: 'too-few' | 'not-in-order' | 'jump' | 'gap';
  readonly atS: number;
}

/** Changes of the reading between two moments this many times as large as usual are no leak: a hose was moved, a gauge exchanged. */
const JUMP_SIGMAS = 12;
const LEAST_READINGS = 4;

/** Problems in the order of time. */
export function problemsOf({ timeS, pressurePsig }: HoldReadings, resolutionPsi: number): readonly TraceProblem[] {
  if (timeS.length < LEAST_READINGS) return [{ code: 'too-few', atS: timeS.at(-1) ?? 0 }];
  const found: TraceProblem[] = [];
  const steps = pressurePsig.slice(1).map((p, k) => p - pressurePsig[k]!);
  const gaps = timeS.slice(1).map((t, k) => t - timeS[k]!);
  const usualStep = Math.max(resolutionPsi, 0.03, 1.4826 * median(steps.map((step) => Math.abs(step - median(steps)))));
  const usualGap = median(gaps);
  for (const [k, gap] of gaps.entries()) {
    const atS = timeS[k + 1]!;
    if (!(gap > 0)) found.push({ code: 'not-in-order', atS });
    else if (gap > Math.max(600, 20 * usualGap)) found.push({ code: 'gap', atS });
    else if (Math.abs(steps[k]! - median(steps)) > JUMP_SIGMAS * usualStep) found.push({ code: 'jump', atS });
  }
  return found;
}

export function median(values: readonly number[]): number {
  if (values.length === 0) return 0;
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

/** So many readings in so many bins of about equal number: first and last index of each, the last excluded. */
export function bins(count: number, most: number): readonly (readonly [number, number])[] {
  const number = Math.min(count, most);
  return Array.from({ length: number }, (_, k) => [Math.floor((k * count) / number), Math.floor(((k + 1) * count) / number)] as const);
}

export const meanOf = (values: ArrayLike<number>, from: number, to: number): number => {
  let sum = 0;
  for (let k = from; k < to; k++) sum += values[k]!;
  return sum / (to - from);
};

/** What follows a value slowly: a first-order lag, begun at rest. @param tau s */
export function lagged(timeS: readonly number[], values: readonly number[], tau: number): number[] {
  const out = [values[0] ?? 0];
  for (let k = 1; k < values.length; k++) {
    const share = 1 - Math.exp(-(timeS[k]! - timeS[k - 1]!) / tau);
    out.push(out[k - 1]! + share * ((values[k]! + values[k - 1]!) / 2 - out[k - 1]!));
  }
  return out;
}
