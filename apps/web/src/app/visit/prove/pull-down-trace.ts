import type { PullDownSetUp, VisitTest } from '@hygromet/contract/visit-test';
import type { PullDownMeta, PullDownReadings } from '@hygromet/core/proof/pull-down';
import { temperatureIn } from '@hygromet/core/units/temperature';

export type RunningPullDown = VisitTest & { readonly setUp: PullDownSetUp };
export const isPullDown = (test: VisitTest): test is RunningPullDown => test.setUp.test === 'pull-down';

export const pullDownMetaOf = ({
  volumeM3,
  hose,
  lengthM,
  core,
  pumpSpeed,
  ambientK,
  targetMicron,
}: Omit<PullDownSetUp, 'test'>): PullDownMeta => ({
  volumeLiter: volumeM3 * 1000,
  hose,
  lengthM,
  core,
  pumpSpeed,
  ambientC: temperatureIn(ambientK, 'C'),
  targetMicron,
});

/** Readings of the vacuum over the seconds since the pump was opened. */
export function pullDownReadings({ begunAt, readings }: VisitTest): PullDownReadings {
  const start = Date.parse(begunAt);
  const values = readings
    .flatMap(({ at, reading }) => ('micron' in reading ? [{ t: (Date.parse(at) - start) / 1000, micron: reading.micron }] : []))
    .sort((a, b) => a.t - b.t);
  return { timeS: values.map(({ t }) => t), micron: values.map(({ micron }) => micron) };
}
