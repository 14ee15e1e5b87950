/** A reading of an instrument, s since the test began, SI. */
export interface ReadInTest {
  readonly t: number;
  readonly value: number;
}

/** What several instruments showed at one moment of a test, in the order in which they were given. */
export interface Sample {
  readonly t: number;
  readonly values: readonly number[];
}

/** Share of what a test has lasted that lies between two samples: a weekend needs no sample a minute. */
const SPACING_SHARE = 1 / 60;

/** s from the sample at `t` to the next. */
const spacingAt = (t: number, leastS: number): number => Math.max(leastS, t * SPACING_SHARE);

/**
 * Samples of a test from what its instruments have sent: the median of each about a moment, and no sample where one of them was not heard.
 * The moments follow from where the last sample was: whoever takes them takes the same ones.
 * @param traces of each instrument, in the order of time
 * @param after s of the last sample that was taken; below 0 where there is none
 * @param until s up to which readings have come
 * @param leastS s between samples at first
 */
export function samplesOf(traces: readonly (readonly ReadInTest[])[], after: number, until: number, leastS: number): readonly Sample[] {
  const samples: Sample[] = [];
  let t = after < 0 ? leastS / 2 : after + spacingAt(after, leastS);
  for (; t + spacingAt(t, leastS) / 2 <= until; t += spacingAt(t, leastS)) {
    const half = spacingAt(t, leastS) / 2;
    const values = traces.map((trace) => medianBetween(trace, t - half, t + half));
    if (values.every((value) => value !== undefined)) samples.push({ t, values });
  }
  return samples;
}

/** Of the readings after `from` up to `to`; a reading that jumps moves it by nothing. */
function medianBetween(trace: readonly ReadInTest[], from: number, to: number): number | undefined {
  const values = trace
    .slice(firstAfter(trace, from), firstAfter(trace, to))
    .map(({ value }) => value)
    .sort((a, b) => a - b);
  const middle = values.length >> 1;
  return values.length % 2 === 1 ? values[middle] : values.length === 0 ? undefined : (values[middle - 1]! + values[middle]!) / 2;
}

function firstAfter(trace: readonly ReadInTest[], t: number): number {
  let [low, high] = [0, trace.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (trace[middle]!.t <= t) low = middle + 1;
    else high = middle;
  }
  return low;
}
