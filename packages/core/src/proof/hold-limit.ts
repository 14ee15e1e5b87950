import { kelvin, pascal } from '../units/quantity';
import { plannedSigma, steadyHold } from './hold';
import { nitrogenDensity } from './nitrogen';
import { PASCAL_PER_PSI, type HoldMeta } from './trace';

/** Of a detection limit: 1 % false alarms and one miss in ten. */
const SIGMAS = 3.6;
const PER_HOUR_TO_PER_YEAR = 8766;
const BINS = 40;
const USUAL_KELVIN = 293.15;
/** s between readings, where nobody has said. */
const USUAL_SPACING = 10;

export interface HoldLimit {
  readonly durationS: number;
  /** The smallest loss that such a hold finds, share an hour. */
  readonly lossPerHour: number;
  /** What that is on the gauge, psi in the hold. */
  readonly psi: number;
  readonly nitrogenKgPerYear: number;
}

/** kg of nitrogen in the volume under test. */
export const nitrogenIn = ({ volumeLiter, setPressurePsig, barometerPa }: HoldMeta, T = USUAL_KELVIN): number =>
  nitrogenDensity(kelvin(T), pascal(barometerPa + setPressurePsig * PASCAL_PER_PSI)) * volumeLiter * 1e-3;

/** kg in a year that a loss amounts to. */
export const nitrogenPerYear = (lossPerHour: number, meta: HoldMeta, T = USUAL_KELVIN): number =>
  Math.max(0, lossPerHour) * nitrogenIn(meta, T) * PER_HOUR_TO_PER_YEAR;

/** What a hold will see before it is started, for each duration. The doubt does not depend on what will be read. */
export function holdLimits(meta: HoldMeta, durationsS: readonly number[]): readonly HoldLimit[] {
  return durationsS.map((durationS) => {
    const spacing = durationS / BINS;
    const p = meta.barometerPa + meta.setPressurePsig * PASCAL_PER_PSI;
    const binned = steadyHold(
      { T: USUAL_KELVIN, air: USUAL_KELVIN, p, clamped: meta.thermometers.includes('pipe'), dithers: meta.gaugeResolutionPsi <= 0.1 },
      Array.from({ length: BINS }, (_, k) => (k + 0.5) * spacing),
      Math.max(1, spacing / USUAL_SPACING),
    );
    const lossPerHour = SIGMAS * plannedSigma(binned, meta);
    const psi = ((lossPerHour * durationS) / 3600) * (meta.setPressurePsig + meta.barometerPa / PASCAL_PER_PSI);
    return { durationS, lossPerHour, psi, nitrogenKgPerYear: nitrogenPerYear(lossPerHour, meta) };
  });
}
