import type { Trace } from '../estimate/observed';

/** kg/s over the last seconds, with how sure the slope is. */
export interface FlowRate {
  readonly kgPerS: number;
  readonly sd: number;
}

const LEAST_READINGS = 4;

/** How fast a scale rises: a straight line through its last readings. Nothing where there are too few. @param windowS of the trace's clock */
export function flowRate({ t, value }: Trace, windowS: number): FlowRate | undefined {
  const from = (t.at(-1) ?? 0) - windowS;
  const first = t.findIndex((value) => value >= from);
  const n = t.length - first;
  if (first < 0 || n < LEAST_READINGS) return undefined;
  let [st, sv] = [0, 0];
  for (let k = first; k < t.length; k++) {
    st += t[k]!;
    sv += value[k]!;
  }
  const [mt, mv] = [st / n, sv / n];
  let [stt, stv, svv] = [0, 0, 0];
  for (let k = first; k < t.length; k++) {
    stt += (t[k]! - mt) ** 2;
    stv += (t[k]! - mt) * (value[k]! - mv);
    svv += (value[k]! - mv) ** 2;
  }
  if (!(stt > 0)) return undefined;
  const kgPerS = stv / stt;
  return { kgPerS, sd: Math.sqrt(Math.max(0, svv - kgPerS * stv) / Math.max(1, n - 2) / stt) };
}
