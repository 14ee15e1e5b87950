import { observables, type Observable, type Point } from './observed';

/** How the readings of one kind stand to the twin. */
export interface Beside {
  /** The latest less what the twin says: kg or Pa. */
  readonly latest: number;
  /** All of them: root mean square, in standard deviations of a reading. */
  readonly sigmas: number;
}
export type BesideTwin = Readonly<Partial<Record<Observable, Beside>>>;

/** @param residuals of each point, in its standard deviations */
export const besideTwin = (points: readonly Point[], residuals: readonly number[]): BesideTwin =>
  Object.fromEntries(
    observables.flatMap((of) => {
      const own = points.flatMap((point, k) => (point.of === of ? [{ sd: point.sd, off: residuals[k]! }] : []));
      const last = own.at(-1);
      if (last === undefined) return [];
      const beside: Beside = {
        latest: last.off * last.sd,
        sigmas: Math.sqrt(own.reduce((sum, { off }) => sum + off * off, 0) / own.length),
      };
      return [[of, beside]];
    }),
  );

/** Kinds of readings that fit no longer, the worst first. @param most standard deviations */
export const fitNoLonger = (beside: BesideTwin, most: number): readonly Observable[] =>
  observables
    .filter((of) => (beside[of]?.sigmas ?? 0) > most)
    .sort((one, other) => (beside[other]?.sigmas ?? 0) - (beside[one]?.sigmas ?? 0));
