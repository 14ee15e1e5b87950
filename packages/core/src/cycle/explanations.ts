import type { Conditions } from './conditions';
import type { Readings } from './cycle-readings';
import { hypothesisCodes, isCharge, priorOf, severities, type HypothesisCode, type Severity } from './hypothesis';
import data from './hypotheses.json';
import type { UnitCloud } from './knowledge';
import { fitOf, type Fit } from './likelihood';
import { predict, type Prediction } from './prediction';

export type ExplanationCode = HypothesisCode | 'none-of-these';

/** One severity of one hypothesis, with its share of what is believed. */
export interface Weighed {
  readonly severity: Severity;
  readonly prediction: Prediction;
  readonly fit: Fit;
  readonly weight: number;
}

export interface Explained {
  readonly explanations: readonly { readonly code: ExplanationCode; readonly probability: number }[];
  readonly weighed: readonly Weighed[];
  /** Share of the plate that is in it, if the charge is the question: mean and where it lies nine times of ten. */
  readonly chargeShare: { readonly value: number; readonly range90: readonly [number, number] } | undefined;
}

/** What every hypothesis predicts for these conditions: it does not depend on what was read. */
export const predictionsOf = (cloud: UnitCloud, conditions: Conditions): readonly (readonly [Severity, Prediction])[] => {
  const found: (readonly [Severity, Prediction])[] = [];
  const rated = predict(cloud, conditions, severities[0]!.faults);
  let [last, code] = [rated, ''];
  for (const severity of severities) {
    // along a grid each state lies near the one before it
    if (severity.code !== code) [last, code] = [rated, severity.code];
    const prediction = predict(cloud, conditions, severity.faults, last?.state.u);
    if (prediction === undefined) continue;
    last = prediction;
    found.push([severity, prediction]);
  }
  return found;
};

export interface ExplainOptions {
  /** Times the noise, where the unit has not settled. */
  readonly noisier?: number | undefined;
  /** Of each hypothesis; those of the field where nothing is said. */
  readonly prior?: ((code: HypothesisCode) => number) | undefined;
}

/** Every hypothesis weighed by how well its severities fit what was read; what fits none of them says so. */
export function explain(
  predictions: readonly (readonly [Severity, Prediction])[],
  readings: Readings,
  { noisier = 1, prior = priorOf }: ExplainOptions = {},
): Explained {
  const fits = predictions.map(([severity, prediction]) => ({ severity, prediction, fit: fitOf(prediction, readings, noisier) }));
  const counts = new Map(hypothesisCodes.map((code) => [code, Math.max(1, fits.filter(({ severity }) => severity.code === code).length)]));
  const best = Math.max(...fits.map(({ fit }) => fit.logLikelihood));
  const raw = fits.map((entry) => ({
    ...entry,
    weight: (prior(entry.severity.code) / counts.get(entry.severity.code)!) * Math.exp(entry.fit.logLikelihood - best),
  }));
  const none = data.none.prior * Math.exp(Math.max(...fits.map(({ fit }) => fit.widely(data.none.wider))) - best);
  const total = none + raw.reduce((sum, { weight }) => sum + weight, 0);
  const weighed = raw.map((entry) => ({ ...entry, weight: entry.weight / total }));
  const explanations = [
    ...hypothesisCodes.map((code) => ({
      code,
      probability: weighed.reduce((sum, { severity, weight }) => sum + (severity.code === code ? weight : 0), 0),
    })),
    { code: 'none-of-these' as const, probability: none / total },
  ].sort((a, b) => b.probability - a.probability);
  return { explanations, weighed, chargeShare: chargeOf(weighed) };
}

/** Half of the grid's step: between two of its points the charge is as likely. */
const HALF_STEP = 0.02;
const NINE_OF_TEN = 1.645;

function chargeOf(weighed: readonly Weighed[]): Explained['chargeShare'] {
  const charged = weighed.filter(({ severity }) => isCharge(severity.code));
  const total = charged.reduce((sum, { weight }) => sum + weight, 0);
  if (!(total > 0)) return undefined;
  const value = charged.reduce((sum, { severity, weight }) => sum + (weight / total) * severity.faults.charge, 0);
  const variance = charged.reduce((sum, { severity, weight }) => sum + (weight / total) * (severity.faults.charge - value) ** 2, 0);
  const reach = NINE_OF_TEN * Math.hypot(Math.sqrt(variance), HALF_STEP);
  return { value, range90: [value - reach, value + reach] };
}
