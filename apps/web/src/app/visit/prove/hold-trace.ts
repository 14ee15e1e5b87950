import type { HoldReading, HoldSetUp, VisitTest } from '@hygromet/contract/visit-test';
import { PASCAL_PER_PSI, type HoldMeta, type HoldReadings } from '@hygromet/core/proof/trace';
import { temperatureIn } from '@hygromet/core/units/temperature';
import { usualGauge } from '@hygromet/core/instruments/usual-instruments';
import { usualHold } from '@hygromet/core/proof/usual-test';

export type RunningHold = VisitTest & { readonly setUp: HoldSetUp };
export const isHold = (test: VisitTest): test is RunningHold => test.setUp.test === 'hold';

/** When the first reading was taken; the beginning while there is none. */
export const firstAt = ({ readings, begunAt }: VisitTest): number => Date.parse(readings[0]?.at ?? begunAt);

export const metaOf = (setUp: HoldSetUp, startedAt: number): HoldMeta => ({
  volumeLiter: setUp.volumeM3 * 1000,
  volumeKnownTo: usualHold.volumeKnownTo,
  setPressurePsig: setUp.setGaugePa / PASCAL_PER_PSI,
  barometerPa: setUp.atmospherePa,
  gaugeResolutionPsi: setUp.stepPa / PASCAL_PER_PSI,
  gaugeSpanPsi: setUp.spanPa / PASCAL_PER_PSI,
  gaugeAccuracyShare: usualGauge.accuracyShare,
  secondsSinceFilling: Math.max(0, (startedAt - Date.parse(setUp.filledAt)) / 1000),
  thermometers: setUp.clamp ? ['air', 'pipe'] : ['air'],
  startHour: setUp.startHour,
  oilLiter: setUp.oilM3 * 1000,
  refrigerantMayRemain: setUp.refrigerantMayRemain,
});

/** Readings in the order of their time. */
export function readingsOf(test: VisitTest): HoldReadings {
  const start = firstAt(test);
  const values = test.readings
    .flatMap(({ at, reading }) => ('gaugePa' in reading ? [{ at: Date.parse(at), reading: reading satisfies HoldReading }] : []))
    .sort((a, b) => a.at - b.at);
  const pipes = values.flatMap(({ reading }) => (reading.pipeK === undefined ? [] : [temperatureIn(reading.pipeK, 'C')]));
  return {
    timeS: values.map(({ at }) => (at - start) / 1000),
    pressurePsig: values.map(({ reading }) => reading.gaugePa / PASCAL_PER_PSI),
    airC: values.map(({ reading }) => temperatureIn(reading.airK, 'C')),
    // a clamp that was not read once is no clamp
    ...(pipes.length === values.length && values.length > 0 ? { pipeC: pipes } : {}),
  };
}
