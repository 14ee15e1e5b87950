import type { RiseSetUp, VisitTest } from '@hygromet/contract/visit-test';
import type { RiseMeta, RisePhase } from '@hygromet/core/proof/rise';
import { temperatureIn } from '@hygromet/core/units/temperature';
import { usualMicronGauge } from '@hygromet/core/instruments/usual-instruments';

export type RunningRise = VisitTest & { readonly setUp: RiseSetUp };
export const isRise = (test: VisitTest): test is RunningRise => test.setUp.test === 'rise';

export const riseMetaOf = ({ volumeM3, rigM3, stepMicron, coldestWallK, compressorWithOil, leakAtMost }: RiseSetUp): RiseMeta => ({
  volumeLiter: volumeM3 * 1000,
  rigVolumeLiter: rigM3 * 1000,
  gaugeResolutionMicron: stepMicron,
  gaugeAccuracyShare: usualMicronGauge.accuracyShare,
  coldestWallC: temperatureIn(coldestWallK, 'C'),
  compressorWithOil,
  leakAtMost,
});

/** Readings that follow one another with the same valve shut are one phase; each begins at its first reading. */
export function phasesOf(test: VisitTest): readonly RisePhase[] {
  const phases: { isolated: 'pump' | 'rig'; start: number; timeS: number[]; micron: number[] }[] = [];
  const values = test.readings
    .flatMap(({ at, reading }) => ('isolated' in reading ? [{ at: Date.parse(at), reading }] : []))
    .sort((a, b) => a.at - b.at);
  for (const { at, reading } of values) {
    let last = phases.at(-1);
    if (last === undefined || last.isolated !== reading.isolated)
      phases.push((last = { isolated: reading.isolated, start: at, timeS: [], micron: [] }));
    last.timeS.push((at - last.start) / 1000);
    last.micron.push(reading.micron);
  }
  return phases.map(({ isolated, timeS, micron }) => ({ isolated, timeS, micron }));
}
