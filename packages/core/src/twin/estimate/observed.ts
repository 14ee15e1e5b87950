import type { Sample } from '../transfer-run';
import data from './priors.json';

/** What can be read beside a transfer. */
export const observables = ['grossKg', 'suctionPa', 'headPa'] as const;
export type Observable = (typeof observables)[number];

/** Readings of one kind: s since the start, SI, in order of time. */
export interface Trace {
  readonly t: readonly number[];
  readonly value: readonly number[];
}
export type Traces = Readonly<Partial<Record<Observable, Trace>>>;

/** A reading as it enters the fit. */
export interface Point {
  readonly of: Observable;
  readonly t: number;
  readonly value: number;
  /** What it may be off, so that all points of a kind together count as often as they are independent. */
  readonly sd: number;
}

/** Readings put together in even stretches, by their medians: a kick of the scale is no weight. */
export function pointsOf(traces: Traces): readonly Point[] {
  return observables.flatMap((of) => {
    const trace = traces[of];
    if (trace === undefined || trace.t.length === 0) return [];
    const stretches = Math.min(data.mostPoints, trace.t.length);
    const [from, to] = [trace.t[0]!, trace.t.at(-1)!];
    const width = Math.max(1e-9, (to - from) / stretches);
    const filled = new Map<number, { t: number[]; value: number[] }>();
    for (const [k, t] of trace.t.entries()) {
      const stretch = Math.min(stretches - 1, Math.floor((t - from) / width));
      const found = filled.get(stretch) ?? { t: [], value: [] };
      found.t.push(t);
      found.value.push(trace.value[k]!);
      filled.set(stretch, found);
    }
    const repeats = Math.sqrt(Math.max(1, filled.size / data.independentPoints));
    return [...filled.values()].map(({ t, value }) => {
      const middle = median(value);
      const { noise, lasting, share } = data.readings[of];
      const sd = repeats * Math.hypot(noise / Math.sqrt(value.length), lasting, share * (of === 'grossKg' ? 0 : middle));
      return { of, t: median(t), value: middle, sd };
    });
  });
}

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
};

/** A value of a run between two of its samples; at its ends what stood there. */
export function valueAt(samples: readonly Sample[], of: Observable | 'systemKg' | 'cylinderK', t: number): number {
  if (samples.length === 0) return Number.NaN;
  if (t <= samples[0]!.t) return samples[0]![of];
  const last = samples.at(-1)!;
  if (t >= last.t) return last[of];
  let [low, high] = [0, samples.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (samples[middle]!.t <= t) low = middle;
    else high = middle;
  }
  const [a, b] = [samples[low]!, samples[high]!];
  return a[of] + ((t - a.t) / (b.t - a.t)) * (b[of] - a[of]);
}
