import { solveLower } from '../proof/gaussian';
import { nextReadings, sigmaOfReading, type NextReading, type Readings } from './cycle-readings';
import type { Weighed } from './explanations';
import { hypothesisCodes } from './hypothesis';

/** Points at which a reading is imagined. */
const POINTS = 40;
const LEAST_WEIGHT = 1e-4;

interface Expected {
  readonly code: number;
  readonly weight: number;
  readonly mean: number;
  readonly sd: number;
}

/** Bits that each reading is expected to tell about which explanation is true, the most telling first. */
export function tellingReadings(
  weighed: readonly Weighed[],
  readings: Readings,
): readonly { readonly name: NextReading; readonly bits: number }[] {
  const weigheds = weighed.filter(({ weight }) => weight > LEAST_WEIGHT);
  return nextReadings
    .filter((name) => readings[name] === undefined)
    .map((name) => ({ name, bits: informationOf(weigheds.map((one) => expectedOf(one, name))) }))
    .sort((a, b) => b.bits - a.bits);
}

/** What one severity expects of a reading, after what was read already. */
function expectedOf({ severity, prediction, fit, weight }: Weighed, name: NextReading): Expected {
  const slopes = prediction.slopes.map((slope) => slope[name]);
  const with_ = Float64Array.from(fit.names, (read) => prediction.slopes.reduce((sum, slope, k) => sum + slope[read] * slopes[k]!, 0));
  const mean = prediction.value[name] + fit.weighted.reduce((sum, value, k) => sum + value * with_[k]!, 0);
  const half = solveLower(fit.factor, Float64Array.from(with_));
  const known = half.reduce((sum, value) => sum + value * value, 0);
  const variance =
    slopes.reduce((sum, slope) => sum + slope * slope, 0) + sigmaOfReading(name, Math.abs(prediction.value[name])) ** 2 - known;
  return { code: hypothesisCodes.indexOf(severity.code), weight, mean, sd: Math.sqrt(Math.max(1e-12, variance)) };
}

/** Mutual information of explanation and reading, bits. */
function informationOf(expected: readonly Expected[]): number {
  const total = expected.reduce((sum, { weight }) => sum + weight, 0);
  if (!(total > 0)) return 0;
  const low = Math.min(...expected.map(({ mean, sd }) => mean - 3 * sd));
  const high = Math.max(...expected.map(({ mean, sd }) => mean + 3 * sd));
  const step = (high - low) / (POINTS - 1);
  const before = new Float64Array(hypothesisCodes.length);
  for (const { code, weight } of expected) before[code]! += weight / total;
  let [after, mass] = [0, 0];
  for (let k = 0; k < POINTS; k++) {
    const x = low + k * step;
    const joint = new Float64Array(hypothesisCodes.length);
    for (const { code, weight, mean, sd } of expected) joint[code]! += (weight / total) * (Math.exp(-0.5 * ((x - mean) / sd) ** 2) / sd);
    const density = joint.reduce((sum, value) => sum + value, 0);
    if (density <= 0) continue;
    after += density * entropy(joint, density);
    mass += density;
  }
  return mass > 0 ? Math.max(0, entropy(before, 1) - after / mass) : 0;
}

const entropy = (shares: Float64Array, total: number): number =>
  shares.reduce((sum, share) => (share > 0 ? sum - (share / total) * Math.log2(share / total) : sum), 0);
