import type { Part } from '../circuit/part';
import { weakestPart, type PartLimit } from '../circuit/weakest-part';
import { kelvin, pascal, type Kelvin, type Pascal } from '../units/quantity';
import { carriedTo, nitrogenDensity } from './nitrogen';

/** What is connected, and what the day will do. */
export interface TestPressureTask {
  /** What single parts bear; a part behind a shut valve counts unless the valve was proved. */
  readonly limits: readonly PartLimit[];
  /** Parts that a proved valve keeps apart. */
  readonly apart: readonly Part[];
  readonly T: Kelvin;
  /** The hottest that it will be while it is under pressure. */
  readonly hottest: Kelvin;
  /** Pa by which the gauge may read too low. */
  readonly gaugeError: number;
  readonly atmosphere: Pascal;
}

export interface TestPressure {
  /** Pa above the air, at most, now. */
  readonly mostGaugePa: number;
  /** The part that rules. */
  readonly ruling: PartLimit;
  /** Pa above the air to which that comes at the hottest. */
  readonly atHottestGaugePa: number;
  /** Pa above the air to stop at, in order: listen at the first, wait at the second, hold at the last. */
  readonly stepsGaugePa: readonly number[];
}

/** Common practice: 50 psig and listen, 150 psig and wait, then the target. */
const [LISTEN, WAIT] = [344_738, 1_034_214];

/**
 * The most that a nitrogen test may put on a circuit: the limit of the weakest part that is connected, less the error of the gauge, at the
 * hottest that it will be. Nothing where no limit is recorded: then no pressure is known to be safe.
 */
export function testPressure({ limits, apart, T, hottest, gaugeError, atmosphere }: TestPressureTask): TestPressure | undefined {
  const ruling = weakestPart(limits.filter(({ part }) => !apart.includes(part)));
  if (ruling === undefined) return undefined;
  const most = Math.max(0, ruling.gaugePa - gaugeError);
  const now = hottest > T ? carriedTo(pascal(most + atmosphere), hottest, T) - atmosphere : most;
  const mostGaugePa = Math.max(0, now);
  return {
    mostGaugePa,
    ruling,
    atHottestGaugePa: hottest > T ? carriedTo(pascal(mostGaugePa + atmosphere), T, hottest) - atmosphere : mostGaugePa,
    stepsGaugePa: [...[LISTEN, WAIT].filter((step) => step < mostGaugePa), mostGaugePa],
  };
}

/** kg of nitrogen that a volume takes up to a gauge pressure. @param volume m³ */
export const nitrogenNeeded = (volume: number, gaugePa: number, T: Kelvin, atmosphere: Pascal): number =>
  volume * (nitrogenDensity(kelvin(T), pascal(gaugePa + atmosphere)) - nitrogenDensity(kelvin(T), atmosphere));
