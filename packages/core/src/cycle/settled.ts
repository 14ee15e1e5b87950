import type { Derived } from './cycle-readings';

/** Superheat and subcooling, K, at seconds. */
export interface Moment extends Pick<Derived, 'superheat' | 'subcooling'> {
  readonly atS: number;
}

/** s over which it has to stand still. */
export const WINDOW_S = 240;
const LEAST = 4;
/** K that it may still drift within the window. */
const DRIFT_K = 1.5 / 1.8;
/** s after which a unit that nobody has followed counts as settled: nine of ten are by 12.5 min, by a prototype. */
export const SETTLES_S = 900;

/** Whether a line through the last four minutes is level, for superheat and subcooling; nothing where there are too few readings to say. */
export function isSettled(moments: readonly Moment[]): boolean | undefined {
  const last = moments.at(-1);
  if (last === undefined) return undefined;
  const values = moments.filter(({ atS }) => atS >= last.atS - WINDOW_S);
  if (values.length < LEAST || last.atS - values[0]!.atS < WINDOW_S / 2) return undefined;
  return (['superheat', 'subcooling'] as const).every(
    (name) => Math.abs(slopeOf(values.map((one) => [one.atS, one[name]]))) * WINDOW_S < DRIFT_K,
  );
}

function slopeOf(points: readonly (readonly [number, number])[]): number {
  const n = points.length;
  const [meanT, mean] = [points.reduce((sum, [t]) => sum + t, 0) / n, points.reduce((sum, [, value]) => sum + value, 0) / n];
  const over = points.reduce((sum, [t]) => sum + (t - meanT) ** 2, 0);
  return over > 0 ? points.reduce((sum, [t, value]) => sum + (t - meanT) * (value - mean), 0) / over : 0;
}
