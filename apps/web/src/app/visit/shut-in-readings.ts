import type { ShutInSetUp, VisitTest } from '@hygromet/contract/visit-test';
import type { ShutInReading } from '@hygromet/core/planning/shut-in';

export type RunningShutIn = VisitTest & { readonly setUp: ShutInSetUp };
export const isShutIn = (test: VisitTest): test is RunningShutIn => test.setUp.test === 'shut-in';

/** Readings in the order of their time, s since the first. */
export function shutInReadings({ readings }: VisitTest): readonly ShutInReading[] {
  const read = readings
    .flatMap(({ at, reading }) => ('shutInPa' in reading ? [{ at: Date.parse(at), p: reading.shutInPa }] : []))
    .sort((a, b) => a.at - b.at);
  return read.map(({ at, p }) => ({ t: (at - read[0]!.at) / 1000, p }));
}

/** Pa absolute that the system of a visit showed last after it was shut in. */
export const lastWatched = (tests: readonly VisitTest[]): number | undefined =>
  tests
    .filter(isShutIn)
    .flatMap((test) => shutInReadings(test).at(-1)?.p ?? [])
    .at(-1);
