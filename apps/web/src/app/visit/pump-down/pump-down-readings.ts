import type { PumpDownSetUp, VisitTest } from '@hygromet/contract/visit-test';
import type { PumpDownReading } from '@hygromet/core/planning/pump-down';
import type { Traces } from '@hygromet/core/twin/estimate/observed';

export type RunningPumpDown = VisitTest & { readonly setUp: PumpDownSetUp };
export const isPumpDownTest = (test: VisitTest): test is RunningPumpDown => test.setUp.test === 'pump-down';

/** Readings in the order of their time, s since the liquid valve was shut. */
export function pumpDownReadings({ begunAt, readings }: VisitTest): readonly PumpDownReading[] {
  const start = Date.parse(begunAt);
  return readings
    .flatMap(({ at, reading }) =>
      'suctionPa' in reading ? [{ t: (Date.parse(at) - start) / 1000, suction: reading.suctionPa, head: reading.headPa }] : [],
    )
    .sort((a, b) => a.t - b.t);
}

/** The same as the twin takes them. */
export function pumpDownTraces(readings: readonly PumpDownReading[]): Traces {
  const heads = readings.flatMap(({ t, head }) => (head === undefined ? [] : [{ t, head }]));
  return {
    suctionPa: { t: readings.map(({ t }) => t), value: readings.map(({ suction }) => suction) },
    ...(heads.length === 0 ? {} : { headPa: { t: heads.map(({ t }) => t), value: heads.map(({ head }) => head) } }),
  };
}
